import type { Schemas } from '../shared/api';
import { sideWord } from '../shared/words';

type Bench = Schemas['BenchDto'];

/** A line of the bench: a measure, and its side where it has two. */
export interface Line {
  key: string;
  guide: Schemas['MeasureGuide'];
  side: Schemas['Side'] | null;
}

const lineOf = (bench: Bench, at: Schemas['MeasureLine']): Line[] => {
  const guide = bench.guides.find((g) => g.measure === at.measure);
  return guide ? [{ key: at.measure + (at.side ?? ''), guide, side: at.side ?? null }] : [];
};

/** The lines the fit style asks for, and all the others. */
export const linesOf = (bench: Bench) => ({
  asked: bench.asked.flatMap((line) => lineOf(bench, line)),
  others: bench.others.flatMap((line) => lineOf(bench, line)),
});

export const nameOf = (line: Line) => line.guide.name + (line.side ? `, ${sideWord[line.side]}` : '');

/** Whether something of the bench belongs to a line. */
export const isOn = (line: Line, at: { measure: Schemas['Measure']; side: Schemas['Side'] | null }) =>
  at.measure === line.guide.measure && at.side === line.side;

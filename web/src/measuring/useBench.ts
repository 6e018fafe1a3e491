import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDogChanged } from '../dogs/useDog';
import { api, ask, words, type Schemas } from '../shared/api';
import { complain, notify } from '../shared/notices';
import type { Unit } from '../shared/units';

export type Bench = Schemas['BenchDto'];

/** A line of the bench: a measure, and its side where it has two. */
export interface Line {
  guide: Schemas['MeasureGuide'];
  side: Schemas['Side'] | null;
}

export const linesOf = (bench: Bench): Line[] =>
  bench.guides.flatMap((guide): Line[] =>
    guide.hasSides
      ? [
          { guide, side: 'left' },
          { guide, side: 'right' },
        ]
      : [{ guide, side: null }],
  );

export function useBench(dogId: string, unit: Unit) {
  const queries = useQueryClient();
  const changed = useDogChanged();
  const key = ['bench', dogId, unit];
  const path = { path: { id: dogId }, query: { unit } };
  const bench = useQuery({ queryKey: key, queryFn: () => ask(api.GET('/api/dogs/{id}/bench', { params: path })) });
  const take = async (call: Promise<Bench>) => {
    queries.setQueryData(key, await call);
    await queries.invalidateQueries({ queryKey: ['fits', dogId] });
    await changed(dogId);
  };

  const add = useMutation({
    mutationFn: (reading: Schemas['ReadingEntry']) =>
      take(ask(api.POST('/api/dogs/{id}/readings', { params: { path: { id: dogId } }, body: { ...reading, unit } }))),
  });
  const restore = (readingId: string) =>
    take(
      ask(
        api.POST('/api/dogs/{id}/readings/{readingId}/restore', {
          params: { path: { id: dogId, readingId }, query: { unit } },
        }),
      ),
    ).catch((error: unknown) => complain(words(error)));
  const remove = (reading: Schemas['ReadingDto']) =>
    take(
      ask(
        api.DELETE('/api/dogs/{id}/readings/{readingId}', {
          params: { path: { id: dogId, readingId: reading.id }, query: { unit } },
        }),
      ),
    )
      .then(() => notify(`${reading.asTaken} is out of use.`, () => void restore(reading.id)))
      .catch((error: unknown) => complain(words(error)));
  return { bench, add, remove };
}

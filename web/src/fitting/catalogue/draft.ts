import { t } from '@lingui/core/macro';
import type { Schemas } from '../../shared/api';
import { readNumber } from '../../shared/numbers';
import type { Model } from './useCatalogue';

export const basketFields = [
  ['lengthMm', t`Length`],
  ['depthFrontMm', t`Depth front`],
  ['depthRearMm', t`Depth rear`],
  ['widthFrontMm', t`Width front`],
  ['widthRearMm', t`Width rear`],
  ['openingGirthMm', t`Girth`],
  ['neckStrapMinMm', t`Strap from`],
  ['neckStrapMaxMm', 'to'],
  ['massG', t`Mass, g`],
  ['price', t`Price`],
] as const;

export const tubeFields = [
  ['lengthMm', t`Length`],
  ['girthMinMm', t`Girth from`],
  ['girthMaxMm', 'to'],
  ['neckStrapMinMm', t`Strap from`],
  ['neckStrapMaxMm', 'to'],
  ['massG', t`Mass, g`],
  ['price', t`Price`],
] as const;

export type SizeField = (typeof basketFields)[number][0] | (typeof tubeFields)[number][0];

/** A size as typed. */
export type SizeDraft = { id: string; label: string } & Partial<Record<SizeField, string>>;

/** A model as typed: numbers are text until they are sent, so that nothing typed is lost. */
export interface Draft {
  name: string;
  maker: string;
  type: Schemas['MuzzleType'];
  material: Schemas['Material'];
  closure: Schemas['Closure'];
  foreheadStrap: Schemas['ForeheadStrap'];
  frontOpening: Schemas['FrontOpening'];
  collarLink: boolean;
  frontBar: boolean;
  frontBarGapMm: string;
  plateMm: string;
  formableMm: string;
  holePitchMm: string;
  leadDays: string;
  note: string;
  colours: Schemas['MuzzleColour'][];
  sizes: SizeDraft[];
}

const text = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));

/** A typed number; text that is none is sent as it is, and the server names the field. */
export const numberOf = (value: string | undefined) => {
  const number = readNumber(value);
  return Number.isNaN(number) ? (value as unknown as number) : number;
};

export const newDraft = (): Draft => ({
  name: '',
  maker: '',
  type: 'basket',
  material: 'mouldedRubber',
  closure: 'buckle',
  foreheadStrap: 'optional',
  frontOpening: 'canBeCut',
  collarLink: false,
  frontBar: false,
  frontBarGapMm: '',
  plateMm: '',
  formableMm: '',
  holePitchMm: '',
  leadDays: '',
  note: '',
  colours: [],
  sizes: [{ id: '', label: 'M' }],
});

const sizeFields = [...new Set([...basketFields, ...tubeFields].map(([key]) => key))];

export const draftOf = (m: Model): Draft => ({
  ...m,
  frontBarGapMm: text(m.frontBarGapMm),
  plateMm: text(m.plateMm),
  formableMm: text(m.formableMm),
  holePitchMm: text(m.holePitchMm),
  leadDays: text(m.leadDays),
  sizes: m.sizes.map((s) => ({
    id: s.id,
    label: s.label,
    ...Object.fromEntries(sizeFields.map((key) => [key, text(s[key])])),
  })),
});

export const sizeEntryOf = (s: SizeDraft): Schemas['SizeEntry'] => ({
  id: s.id,
  label: s.label,
  ...Object.fromEntries(sizeFields.map((key) => [key, numberOf(s[key])])),
});

export const entryOf = (d: Draft): Schemas['MuzzleEntry'] => ({
  ...d,
  frontBarGapMm: numberOf(d.frontBarGapMm),
  plateMm: numberOf(d.plateMm),
  formableMm: numberOf(d.formableMm),
  holePitchMm: numberOf(d.holePitchMm),
  leadDays: numberOf(d.leadDays),
  sizes: d.sizes.map(sizeEntryOf),
});

/** What the fields are called. */
export const muzzleLabels: Record<keyof Draft, string> = {
  name: t`Name`,
  maker: t`Maker`,
  type: t`Type`,
  material: t`Material`,
  closure: t`Closure`,
  foreheadStrap: t`Forehead strap`,
  frontOpening: t`Front`,
  collarLink: t`Links to the collar`,
  frontBar: t`Front bar`,
  frontBarGapMm: t`Gap in front, mm`,
  plateMm: t`Plate adds, mm`,
  formableMm: t`Forms by ±mm`,
  holePitchMm: t`Holes apart, mm`,
  leadDays: t`Days to deliver`,
  note: t`Note`,
  colours: t`Colours`,
  sizes: t`Sizes`,
};

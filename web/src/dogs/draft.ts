import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { dateText, readDay } from '../shared/dates';
import { readNumber } from '../shared/numbers';

type Dog = Schemas['DogDto'];

/** A dog as it is being typed: numbers and dates stay text until they are sent, so that nothing typed is lost. */
export interface Draft {
  name: string;
  keeper: string;
  place: string;
  birthDate: string;
  ageYears: string;
  ageMonths: string;
  breedIds: string[];
  headShapeSeen: Schemas['HeadShape'] | '';
  bodyMassKg: string;
  coatId: string;
  coatSeen: Schemas['Coat'] | '';
  purposes: Schemas['Purpose'][];
  temperament: Schemas['Temperament'];
  sensitivities: Schemas['Sensitivity'][];
  biteTier: Schemas['BiteTier'];
  notes: string;
  health: Schemas['HealthNote'][];
  traitsSeen: Schemas['BreedTrait'][];
  keeperPhone: string;
  clinicName: string;
  clinicPhone: string;
  cue: string;
  bitesAbout: string;
  familyWasTold: boolean;
  notesForUs: boolean;
  earsSeen: Schemas['Ears'] | '';
  furSeen: Schemas['Fur'] | '';
  patternSeen: Schemas['CoatPattern'] | '';
}

export const emptyDraft: Draft = {
  name: '',
  keeper: '',
  place: '',
  birthDate: '',
  ageYears: '',
  ageMonths: '',
  breedIds: [],
  headShapeSeen: '',
  bodyMassKg: '',
  coatId: '',
  coatSeen: '',
  purposes: [],
  temperament: 'typical',
  sensitivities: [],
  biteTier: 'none',
  notes: '',
  health: [],
  traitsSeen: [],
  keeperPhone: '',
  clinicName: '',
  clinicPhone: '',
  cue: '',
  bitesAbout: '',
  familyWasTold: false,
  notesForUs: true,
  earsSeen: '',
  furSeen: '',
  patternSeen: '',
};

export const draftOf = (dog: Dog): Draft => ({
  ...emptyDraft,
  name: dog.name,
  keeper: dog.keeper ?? '',
  place: dog.place ?? '',
  birthDate: dog.birthDate ? dateText(dog.birthDate, 'short') : '',
  breedIds: dog.breedIds,
  headShapeSeen: dog.headShapeSeen ?? '',
  bodyMassKg: dog.bodyMassKg?.toString() ?? '',
  coatId: dog.coatId ?? '',
  coatSeen: dog.coatSeen ?? '',
  purposes: dog.purposes,
  temperament: dog.temperament,
  sensitivities: dog.sensitivities,
  biteTier: dog.biteTier,
  notes: dog.notes ?? '',
  health: dog.health,
  traitsSeen: dog.traitsSeen,
  keeperPhone: dog.keeperPhone ?? '',
  clinicName: dog.clinicName ?? '',
  clinicPhone: dog.clinicPhone ?? '',
  cue: dog.cue ?? '',
  bitesAbout: dog.bitesAbout ?? '',
  familyWasTold: dog.familyWasTold,
  notesForUs: dog.notesForUs,
  earsSeen: dog.earsSeen ?? '',
  furSeen: dog.furSeen ?? '',
  patternSeen: dog.patternSeen ?? '',
});

/** What was typed, as the server takes it, or messages by field. */
export function entryOf(draft: Draft): { entry: Schemas['DogEntry'] } | { fields: Record<string, string> } {
  const [mass, years, months] = [draft.bodyMassKg, draft.ageYears, draft.ageMonths].map(readNumber) as (
    number | null
  )[];
  const born = readDay(draft.birthDate);
  const fields: Record<string, string> = {};
  if (Number.isNaN(mass)) fields.bodyMassKg = t`"${draft.bodyMassKg}" is not a number of kilograms, such as 24,5.`;
  if (Number.isNaN(years) || Number.isNaN(months)) fields.ageMonths = t`Write the age in whole years and months.`;
  if (born === null) fields.birthDate = t`"${draft.birthDate}" is not a day, such as 26 Nov 2023 or 26.11.2023.`;
  if (Object.keys(fields).length > 0) return { fields };
  const age = years === null && months === null ? null : Math.round((years ?? 0) * 12 + (months ?? 0));
  return {
    entry: {
      name: draft.name,
      keeper: draft.keeper,
      place: draft.place,
      birthDate: age !== null ? null : born || null,
      ageMonths: age,
      breedIds: draft.breedIds.filter((id) => id !== ''),
      headShapeSeen: draft.headShapeSeen === '' ? null : draft.headShapeSeen,
      bodyMassKg: mass,
      coatId: draft.coatId === '' ? null : draft.coatId,
      coatSeen: draft.coatSeen === '' ? null : draft.coatSeen,
      purposes: draft.purposes,
      temperament: draft.temperament,
      sensitivities: draft.sensitivities,
      biteTier: draft.biteTier,
      notes: draft.notes,
      health: draft.health,
      traitsSeen: draft.traitsSeen,
      keeperPhone: draft.keeperPhone,
      clinicName: draft.clinicName,
      clinicPhone: draft.clinicPhone,
      cue: draft.cue,
      bitesAbout: draft.bitesAbout,
      familyWasTold: draft.familyWasTold,
      notesForUs: draft.notesForUs,
      earsSeen: draft.earsSeen === '' ? null : draft.earsSeen,
      furSeen: draft.furSeen === '' ? null : draft.furSeen,
      patternSeen: draft.patternSeen === '' ? null : draft.patternSeen,
    },
  };
}

/** What the fields are called. */
export const dogLabels: Partial<Record<keyof Draft, string>> = {
  name: t`Name`,
  keeper: t`Keeper`,
  place: t`Place`,
  birthDate: t`Born`,
  breedIds: t`Breed`,
  headShapeSeen: t`Head shape`,
  bodyMassKg: t`Body mass`,
  coatId: t`Coat`,
  coatSeen: t`Coat under the tape`,
  purposes: t`Purposes`,
  temperament: t`Temperament`,
  sensitivities: t`Minds`,
  biteTier: t`Bite history`,
  notes: t`Notes`,
  health: t`Health`,
  traitsSeen: t`Its head`,
  keeperPhone: t`Keeper’s telephone`,
  clinicName: t`Its clinic`,
  clinicPhone: t`Clinic’s telephone`,
  cue: t`The word it goes in by`,
  bitesAbout: t`What the bites were about`,
  familyWasTold: t`The family was told of its bites`,
  notesForUs: t`For us only: its keeper does not get what stands above`,
  earsSeen: t`Ears`,
  furSeen: t`Hair`,
  patternSeen: t`Markings`,
};

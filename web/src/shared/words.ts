import type { Schemas } from './api';

/** Plain words for the API's terms. */
export const purposeWords: Record<Schemas['Purpose'], string> = {
  clinic: 'Clinic',
  walks: 'Walks',
  visitors: 'Visitors',
  transport: 'Transport',
  scavenging: 'Scavenging',
  working: 'Working',
};

export const temperamentWords: Record<Schemas['Temperament'], string> = {
  bold: 'Bold',
  typical: 'Typical',
  wary: 'Wary of new things',
  soured: 'Soured by a muzzle',
};

export const sensitivityWords: Record<Schemas['Sensitivity'], string> = {
  oddObjects: 'Odd objects',
  handsBehindHead: 'Hands behind the head',
  peopleNear: 'People near',
  clicks: 'Clicks and snaps',
  lowFoodDrive: 'Cares little for food',
  snatchy: 'Takes treats hard',
  paws: 'Paws at its face',
};

export const biteWords: Record<Schemas['BiteTier'], string> = {
  none: 'None known',
  threatens: '1 Threatens, no contact',
  contactNoInjury: '2 Contact, no injury',
  injured: '3 A bite that injured',
  severalOrDeep: '4 Several or deep bites',
};

export const shapeWords: Record<Schemas['HeadShape'], string> = { long: 'Long', medium: 'Medium', short: 'Short' };

export const verdictWords: Record<Schemas['Verdict'], string> = { fits: 'Fits', marginal: 'Just fits', out: 'Out' };

export const gapeWords: Record<Schemas['GapeClass'], string> = {
  closed: 'as good as closed',
  halfPant: 'half a pant',
  fullPant: 'a full pant',
  yawn: 'a yawn',
};

export const criterionWords: Record<Schemas['CriterionName'], string> = {
  seat: 'Seat',
  shove: 'Shove',
  chinRoom: 'Chin room',
  gape: 'Gape',
  girth: 'Girth',
  width: 'Width',
  neckStrap: 'Neck strap',
  use: 'Use',
  containment: 'Containment',
  front: 'Front',
};

export const stageWords: Record<Schemas['Stage'], string> = {
  ready: 'Ready',
  oddObjects: 'Odd objects',
  meetIt: 'Meet it',
  comeToIt: 'Come to it',
  noseIn: 'Nose in',
  hold: 'Hold',
  theWord: 'The word',
  soundsAndHands: 'Sounds and hands',
  firstFastening: 'First fastening',
  wearingStill: 'Wearing still',
  moving: 'Moving',
  places: 'Places',
  thePurpose: 'The purpose',
  upkeep: 'Upkeep',
};

export const signGroupWords: Record<Schemas['SignGroup'], string> = {
  atEase: 'At ease',
  unsure: 'Unsure',
  worried: 'Worried',
  overThreshold: 'Over threshold',
};

/** The entries of a word list in its own order, typed. */
export const entries = <K extends string>(list: Record<K, string>) => Object.entries(list) as [K, string][];

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

export const healthWords: Record<Schemas['HealthNote'], string> = {
  airwayTrouble: 'Airway trouble',
  proneToVomiting: 'Prone to vomiting',
  sedatedAtClinic: 'Sedated at the clinic',
  overweight: 'Overweight',
  pregnant: 'In whelp or nursing',
  ill: 'Ill, or on an ordered diet',
};

export const topicWords: Record<Schemas['BriefTopic'], string> = {
  type: 'Type',
  containment: 'Containment',
  mouth: 'Mouth',
  closure: 'Closure',
  straps: 'Straps',
  front: 'Front',
  feel: 'Feel',
  seat: 'Seat',
  neckStrap: 'Neck strap',
  weight: 'Weight',
  visibility: 'Visibility',
};

/** What can be seen on a dog whatever its breed. */
export const seenTraits: [Schemas['BreedTrait'], string][] = [
  ['noBridge', 'No bridge to rest on'],
  ['heavyJowls', 'Heavy jowls'],
  ['narrowHead', 'Head narrower than the neck'],
];

export const biteWords: Record<Schemas['BiteTier'], string> = {
  none: 'None known',
  threatens: '1 Threatens, no contact',
  contactNoInjury: '2 Contact, no injury',
  injured: '3 A bite that injured',
  severalOrDeep: '4 Several or deep bites',
};

export const shapeWords: Record<Schemas['HeadShape'], string> = { long: 'Long', medium: 'Medium', short: 'Short' };

export const fitStyleWords: Record<Schemas['FitStyle'], string> = { everyday: 'Everyday', working: 'Working' };

export const toolWords: Record<Schemas['Tool'], string> = {
  softTape: 'Soft tape',
  string: 'String and ruler',
  caliper: 'Caliper',
  photo: 'Photo',
  digitalTape: 'Digital tape',
};

export const coatWords: Record<Schemas['Coat'], string> = { ordinary: 'Ordinary', thick: 'Thick', clipped: 'Clipped' };

export const shapeWayWords: Record<Schemas['ShapeWay'], string> = {
  seen: 'As seen',
  craniofacialRatio: 'Face against skull',
  cranialIndex: 'Breadth of the skull',
  breed: 'Breed',
};

export const traitWords: Record<Schemas['BreedTrait'], string> = {
  noBridge: 'No bridge to rest on',
  heavyJowls: 'Heavy jowls',
  broadHead: 'Broad head',
  narrowHead: 'Head narrower than the neck',
  longCoat: 'Long coat',
  toy: 'Toy size',
};

export const referenceWords: Record<Schemas['ReferenceKind'], string> = {
  card: 'Card, 85.6 × 54 mm',
  a4: 'A4 sheet',
  a5: 'A5 sheet',
  ruler: 'Ruler, two marks',
};

export const viewWords: Record<Schemas['PhotoView'], string> = { side: 'From the side', top: 'From above' };

export const sideWords: Record<Schemas['Side'], string> = { left: 'its left side', right: 'its right side' };

export const landmarkWords: Record<Schemas['Landmark'], string> = {
  noseTip: 'Nose tip',
  innerEye: 'Inner eye corner',
  bridgeFront: 'Bridge, near the nose',
  bridgeBack: 'Bridge, near the eyes',
  fitLineTop: 'Fit line, on the bridge',
  fitLineUnder: 'Fit line, under the jaw',
  throatBump: 'Throat bump',
  stop: 'Stop',
  occiput: 'Base of skull',
  innerEyeLeft: 'Inner eye, left',
  innerEyeRight: 'Inner eye, right',
  snoutLeft: 'Snout edge, left',
  snoutRight: 'Snout edge, right',
  skullLeft: 'Cheek bone, left',
  skullRight: 'Cheek bone, right',
};

export const useWords: Record<Schemas['MeasureUse'], string> = {
  choosing: 'Choosing a muzzle',
  strap: 'The neck strap',
  headShape: 'Head shape and airway',
};

export const verdictWords: Record<Schemas['Verdict'], string> = { fits: 'Fits', marginal: 'Just fits', out: 'Out' };

export const gapeWords: Record<Schemas['GapeClass'], string> = {
  closed: 'as good as closed',
  halfPant: 'half a pant',
  fullPant: 'a full pant',
  yawn: 'a yawn',
};

export const demandWords: Record<Schemas['Demand'], string> = {
  required: 'must',
  wanted: 'wish',
  ruledOut: 'never',
  allowed: 'may',
};

export const groupWords: Record<Schemas['FitGroup'], string> = {
  fits: 'Fits',
  watched: 'For watched minutes',
  unsure: 'More likely not',
  near: 'Near misses',
  out: 'Out',
};

export const typeWords: Record<Schemas['MuzzleType'], string> = {
  basket: 'Basket',
  sleeve: 'Sleeve',
  faceCover: 'Face cover',
};

export const materialWords: Record<Schemas['Material'], string> = {
  coatedWire: 'Coated wire',
  rigidPlastic: 'Rigid plastic',
  mouldedRubber: 'Moulded rubber',
  clearVinyl: 'Clear vinyl',
  leather: 'Leather',
  coatedWebbing: 'Coated webbing',
  fabric: 'Fabric',
};

export const closureWords: Record<Schemas['Closure'], string> = {
  clip: 'Clip',
  buckle: 'Buckle',
  both: 'Clip and buckle',
};

export const foreheadWords: Record<Schemas['ForeheadStrap'], string> = {
  none: 'None',
  optional: 'Optional',
  fitted: 'Fitted',
};

export const frontWords: Record<Schemas['FrontOpening'], string> = {
  none: 'Closed',
  fixed: 'Open',
  canBeCut: 'Can be cut',
};

export const remedyWords: Record<Schemas['RemedyKind'], string> = {
  hand: 'By hand',
  strap: 'Strap',
  plate: 'Plate',
  forming: 'Forming',
  size: 'Size',
  model: 'Model',
};

export const materialSchoolWords: Record<Schemas['MaterialSchool'], string> = {
  sturdy: 'Any sturdy basket, up to tier 3',
  metalOnly: 'Metal only, from contact on',
};

export const visibilityWords: Record<Schemas['VisibilitySchool'], string> = {
  standOut: 'Stand out from the coat',
  blendIn: 'Blend in with the coat',
};

export const chartFieldWords: Record<Schemas['ChartField'], string> = {
  label: 'Size label',
  model: 'Model',
  length: 'Inner length',
  depthFront: 'Depth in front',
  depthRear: 'Depth at the rear',
  widthRear: 'Width at the rear',
  widthFront: 'Width in front',
  openingGirth: 'Girth of the rear edge',
  girthMin: 'Least snout girth',
  girthMax: 'Greatest snout girth',
  girthRange: 'Snout girth, from–to',
  neckStrapMin: 'Neck strap, shortest',
  neckStrapMax: 'Neck strap, longest',
  neckStrapRange: 'Neck strap, from–to',
  mass: 'Mass',
  price: 'Price',
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

export const trainingStateWords: Record<Schemas['TrainingState'], string> = {
  stuck: 'Stuck',
  overdue: 'Overdue',
  resting: 'Resting',
  underWay: 'Under way',
  notBegun: 'Not begun',
  ready: 'Ready',
};

export const roundGroupWords: Record<Schemas['RoundGroup'], string> = {
  cannotWait: 'Cannot wait',
  sessionsDue: 'Sessions due',
  happyWears: 'Happy wears owed',
  onTheBench: 'On the bench',
  ahead: 'Coming up',
  resting: 'Resting or done',
};

export const occasionWords: Record<Schemas['Occasion'], string> = {
  fun: 'Fun',
  ordinary: 'Ordinary',
  stressful: 'Stressful',
};

/** A shape for each, so that no occasion is told by colour alone. */
export const occasionMarks: Record<Schemas['Occasion'], string> = { fun: '●', ordinary: '○', stressful: '✕' };

export const rubWords: Record<Schemas['RubPlace'], string> = {
  noseBridge: 'Bridge of the nose',
  underTheEyes: 'Under the eyes',
  cheeks: 'Cheeks',
  chin: 'Chin',
  throat: 'Throat',
  behindTheEars: 'Behind the ears',
  forehead: 'Forehead',
};

export const appointmentWords: Record<Schemas['AppointmentKind'], string> = {
  clinic: 'Clinic',
  groomer: 'Groomer',
  ferry: 'Ferry',
  visitors: 'Visitors',
  other: 'Something else',
};

export const activityWords: Record<Schemas['Activity'], string> = {
  quiet: 'Short walks on the lead',
  usual: 'An hour or two of walks and play',
  working: 'Hours of running or work',
};

export const recordWords: Record<Schemas['RecordKind'], string> = {
  measured: 'Measured',
  chosen: 'Chosen',
  tried: 'Tried on',
  trained: 'Trained',
  worn: 'Worn',
  inspected: 'Inspected',
  visit: 'Visits',
  noted: 'Notes',
};

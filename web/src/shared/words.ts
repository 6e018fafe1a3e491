import { t } from '@lingui/core/macro';
import type { Schemas } from './api';

/** Plain words for the API's terms. */
export const purposeWords: Record<Schemas['Purpose'], string> = {
  clinic: t`Clinic`,
  walks: t`Walks`,
  visitors: t`Visitors`,
  transport: t`Transport`,
  scavenging: t`Scavenging`,
  working: t`Working`,
  grooming: t`Grooming`,
};

export const temperamentWords: Record<Schemas['Temperament'], string> = {
  bold: t`Bold`,
  typical: t`Typical`,
  wary: t`Wary of new things`,
  soured: t`Soured by a muzzle`,
};

export const sensitivityWords: Record<Schemas['Sensitivity'], string> = {
  oddObjects: t`Odd objects`,
  handsBehindHead: t`Hands behind the head`,
  peopleNear: t`People near`,
  clicks: t`Clicks and snaps`,
  lowFoodDrive: t`Cares little for food`,
  snatchy: t`Takes treats hard`,
  paws: t`Paws at its face`,
};

export const healthWords: Record<Schemas['HealthNote'], string> = {
  airwayTrouble: t`Airway trouble`,
  proneToVomiting: t`Prone to vomiting`,
  sedatedAtClinic: t`Sedated at the clinic`,
  overweight: t`Overweight`,
  pregnant: t`In whelp or nursing`,
  ill: t`Ill, or on an ordered diet`,
};

export const topicWords: Record<Schemas['BriefTopic'], string> = {
  type: t`Type`,
  containment: t`Containment`,
  mouth: t`Mouth`,
  closure: t`Closure`,
  straps: t`Straps`,
  front: t`Front`,
  feel: t`Feel`,
  seat: t`Seat`,
  neckStrap: t`Neck strap`,
  weight: t`Weight`,
  visibility: t`Visibility`,
};

/** What can be seen on a dog whatever its breed. */
export const seenTraits: [Schemas['BreedTrait'], string][] = [
  ['noBridge', t`No bridge to rest on`],
  ['heavyJowls', t`Heavy jowls`],
  ['narrowHead', t`Head narrower than the neck`],
];

export const biteWords: Record<Schemas['BiteTier'], string> = {
  none: t`None known`,
  threatens: t`1 Threatens, no contact`,
  contactNoInjury: t`2 Contact, no injury`,
  injured: t`3 A bite that injured`,
  severalOrDeep: t`4 Several or deep bites`,
};

export const shapeWords: Record<Schemas['HeadShape'], string> = { long: t`Long`, medium: t`Medium`, short: t`Short` };

export const fitStyleWords: Record<Schemas['FitStyle'], string> = { everyday: t`Everyday`, working: t`Working` };

export const toolWords: Record<Schemas['Tool'], string> = {
  softTape: t`Soft tape`,
  string: t`String and ruler`,
  caliper: t`Caliper`,
  photo: t`Photo`,
  digitalTape: t`Digital tape`,
};

export const earWords: Record<Schemas['Ears'], string> = {
  drop: t`Drop`,
  long: t`Long and hanging`,
  pricked: t`Pricked`,
  bat: t`Broad and upright`,
  tipped: t`Upright, tip folded`,
  button: t`Folded forward`,
  rose: t`Folded back`,
  cropped: t`Cropped`,
  fringed: t`Upright with a fringe`,
};

export const furWords: Record<Schemas['Fur'], string> = {
  smooth: t`Smooth`,
  rough: t`Rough, with a beard`,
  long: t`Long, with a ruff`,
  curly: t`Curly`,
  shaggy: t`Over the eyes`,
};

export const patternWords: Record<Schemas['CoatPattern'], string> = {
  plain: t`One colour`,
  mask: t`Dark muzzle`,
  blazeAndCollar: t`White blaze and collar`,
  tanPoints: t`Tan on muzzle and brows`,
  merle: t`Blotched`,
  brindle: t`Striped`,
  ticked: t`Small spots`,
  patched: t`A patch over eye and ear`,
  spitz: t`Pale muzzle and brows`,
};

export const coatWords: Record<Schemas['Coat'], string> = {
  ordinary: t`Ordinary`,
  thick: t`Thick`,
  clipped: t`Clipped`,
};

export const shapeWayWords: Record<Schemas['ShapeWay'], string> = {
  seen: t`As seen`,
  craniofacialRatio: t`Face against skull`,
  cranialIndex: t`Breadth of the skull`,
  breed: t`Breed`,
};

export const traitWords: Record<Schemas['BreedTrait'], string> = {
  noBridge: t`No bridge to rest on`,
  heavyJowls: t`Heavy jowls`,
  broadHead: t`Broad head`,
  narrowHead: t`Head narrower than the neck`,
  longCoat: t`Long coat`,
  toy: t`Toy size`,
};

export const referenceWords: Record<Schemas['ReferenceKind'], string> = {
  card: t`Card, 85.6 × 54 mm`,
  a4: t`A4 sheet`,
  a5: t`A5 sheet`,
  ruler: t`Ruler, two marks`,
};

export const viewWords: Record<Schemas['PhotoView'], string> = { side: t`From the side`, top: t`From above` };

export const sideWord: Record<Schemas['Side'], string> = { left: t`left`, right: t`right` };

export const provenanceWords: Record<Schemas['Provenance'], string> = {
  measured: t`measured`,
  derived: t`derived`,
  assumed: t`assumed`,
};

/** A badge's four rims. */
export const phaseWords: Record<keyof Schemas['BadgeDto'], string> = {
  measured: t`measured`,
  fitted: t`fitted`,
  conditioned: t`conditioned`,
  wearing: t`wearing`,
};

export const sideWords: Record<Schemas['Side'], string> = { left: t`its left side`, right: t`its right side` };

export const landmarkWords: Record<Schemas['Landmark'], string> = {
  noseTip: t`Nose tip`,
  innerEye: t`Inner eye corner`,
  bridgeFront: t`Bridge, near the nose`,
  bridgeBack: t`Bridge, near the eyes`,
  fitLineTop: t`Fit line, on the bridge`,
  fitLineUnder: t`Fit line, under the jaw`,
  throatBump: t`Throat bump`,
  stop: t`Stop`,
  occiput: t`Base of skull`,
  innerEyeLeft: t`Inner eye, left`,
  innerEyeRight: t`Inner eye, right`,
  snoutLeft: t`Snout edge, left`,
  snoutRight: t`Snout edge, right`,
  skullLeft: t`Cheek bone, left`,
  skullRight: t`Cheek bone, right`,
};

export const useWords: Record<Schemas['MeasureUse'], string> = {
  choosing: t`Choosing a muzzle`,
  strap: t`The neck strap`,
  headShape: t`Head shape and airway`,
};

export const verdictWords: Record<Schemas['Verdict'], string> = { fits: t`Fits`, marginal: t`Just fits`, out: t`Out` };

export const gapeWords: Record<Schemas['GapeClass'], string> = {
  closed: t`as good as closed`,
  halfPant: t`half a pant`,
  fullPant: t`a full pant`,
  yawn: t`a yawn`,
};

export const demandWords: Record<Schemas['Demand'], string> = {
  required: t`must`,
  wanted: t`wish`,
  ruledOut: t`never`,
  allowed: t`may`,
};

export const groupWords: Record<Schemas['FitGroup'], string> = {
  fits: t`Fits`,
  watched: t`For watched minutes`,
  unsure: t`More likely not`,
  near: t`Near misses`,
  out: t`Out`,
};

export const typeWords: Record<Schemas['MuzzleType'], string> = {
  basket: t`Basket`,
  sleeve: t`Sleeve`,
  faceCover: t`Face cover`,
};

export const materialWords: Record<Schemas['Material'], string> = {
  coatedWire: t`Coated wire`,
  rigidPlastic: t`Rigid plastic`,
  mouldedRubber: t`Moulded rubber`,
  clearVinyl: t`Clear vinyl`,
  leather: t`Leather`,
  coatedWebbing: t`Coated webbing`,
  fabric: t`Fabric`,
};

export const closureWords: Record<Schemas['Closure'], string> = {
  clip: t`Clip`,
  buckle: t`Buckle`,
  both: t`Clip and buckle`,
};

export const foreheadWords: Record<Schemas['ForeheadStrap'], string> = {
  none: t`None`,
  optional: t`Optional`,
  fitted: t`Fitted`,
};

export const frontWords: Record<Schemas['FrontOpening'], string> = {
  none: t`Closed`,
  fixed: t`Open`,
  canBeCut: t`Can be cut`,
};

export const remedyWords: Record<Schemas['RemedyKind'], string> = {
  hand: t`By hand`,
  strap: t`Strap`,
  plate: t`Plate`,
  forming: t`Forming`,
  size: t`Size`,
  model: t`Model`,
};

export const materialSchoolWords: Record<Schemas['MaterialSchool'], string> = {
  sturdy: t`Any sturdy basket, up to tier 3`,
  metalOnly: t`Metal only, from contact on`,
};

export const visibilityWords: Record<Schemas['VisibilitySchool'], string> = {
  standOut: t`Stand out from the coat`,
  blendIn: t`Blend in with the coat`,
};

export const chartFieldWords: Record<Schemas['ChartField'], string> = {
  label: t`Size label`,
  model: t`Model`,
  length: t`Inner length`,
  depthFront: t`Depth in front`,
  depthRear: t`Depth at the rear`,
  widthRear: t`Width at the rear`,
  widthFront: t`Width in front`,
  openingGirth: t`Girth of the rear edge`,
  girthMin: t`Least snout girth`,
  girthMax: t`Greatest snout girth`,
  girthRange: t`Snout girth, from–to`,
  neckStrapMin: t`Neck strap, shortest`,
  neckStrapMax: t`Neck strap, longest`,
  neckStrapRange: t`Neck strap, from–to`,
  mass: t`Mass`,
  price: t`Price`,
};

export const stageWords: Record<Schemas['Stage'], string> = {
  ready: t`Ready`,
  oddObjects: t`Odd objects`,
  meetIt: t`Meet it`,
  comeToIt: t`Come to it`,
  noseIn: t`Nose in`,
  hold: t`Hold`,
  theWord: t`The word`,
  soundsAndHands: t`Sounds and hands`,
  firstFastening: t`First fastening`,
  wearingStill: t`Wearing still`,
  moving: t`Moving`,
  places: t`Places`,
  thePurpose: t`The purpose`,
  upkeep: t`Upkeep`,
};

export const signGroupWords: Record<Schemas['SignGroup'], string> = {
  atEase: t`At ease`,
  unsure: t`Unsure`,
  worried: t`Worried`,
  overThreshold: t`Over threshold`,
};

/** The entries of a word list in its own order, typed. */
export const entries = <K extends string>(list: Record<K, string>) => Object.entries(list) as [K, string][];

export const trainingStateWords: Record<Schemas['TrainingState'], string> = {
  stopped: t`Stopped`,
  stuck: t`Stuck`,
  overdue: t`Overdue`,
  resting: t`Resting`,
  underWay: t`Under way`,
  notBegun: t`Not begun`,
  ready: t`Ready`,
};

export const roundGroupWords: Record<Schemas['RoundGroup'], string> = {
  cannotWait: t`Cannot wait`,
  sessionsDue: t`Sessions due`,
  happyWears: t`Happy wears owed`,
  onTheBench: t`On the bench`,
  ahead: t`Coming up`,
  resting: t`Resting or done`,
};

export const appointmentWords: Record<Schemas['AppointmentKind'], string> = {
  clinic: t`Clinic`,
  groomer: t`Groomer`,
  ferry: t`Ferry`,
  visitors: t`Visitors`,
  other: t`Something else`,
};

export const activityWords: Record<Schemas['Activity'], string> = {
  quiet: t`Short walks on the lead`,
  usual: t`An hour or two of walks and play`,
  working: t`Hours of running or work`,
};

export const recordWords: Record<Schemas['RecordKind'], string> = {
  measured: t`Measured`,
  chosen: t`Chosen`,
  tried: t`Tried on`,
  trained: t`Trained`,
  worn: t`Worn`,
  inspected: t`Inspected`,
  visit: t`Visits`,
  noted: t`Notes`,
};

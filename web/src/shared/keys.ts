/** What is asked about one dog; each room adds its own in its `room.ts`. */
export interface DogKeys {
  card: true;
}

/**
 * The names under which this page keeps what the server said. All that is shown of a dog stands under the dog, so that one change of it makes all
 * of that be asked for again; what did not change is answered in a few bytes.
 */
export const keys = {
  rounds: () => ['round'] as const,
  training: () => ['round', 'training'] as const,
  stops: () => ['round', 'stops'] as const,
  round: (asked: { archived: boolean; search: string; by: string }) => ['round', asked] as const,
  dogs: () => ['dog'] as const,
  dog: (id: string) => ['dog', id] as const,
  ofDog: (id: string, what: keyof DogKeys, ...asked: unknown[]) => ['dog', id, what, ...asked] as const,
  session: (id: string) => ['session', id] as const,
  signs: () => ['signs'] as const,
  happyWears: () => ['happy-wears'] as const,
  weather: () => ['weather'] as const,
  waysOfWorking: () => ['ways-of-working'] as const,
  coats: () => ['coats'] as const,
  headAsSaid: (said: object) => ['heads', said] as const,
  breeds: (asked: string) => ['breeds', asked] as const,
  writing: () => ['writing'] as const,
  houseNumbers: () => ['house-numbers'] as const,
  vans: () => ['van'] as const,
  van: (sizes: number) => ['van', sizes] as const,
  wornSigns: () => ['worn-signs'] as const,
  catalogue: (...asked: unknown[]) => ['catalogue', ...asked] as const,
  stringMarks: (...asked: unknown[]) => ['marks', ...asked] as const,
  drawnSize: (...asked: unknown[]) => ['drawn', ...asked] as const,
  practice: (...asked: unknown[]) => ['practice', ...asked] as const,
  served: () => ['served'] as const,
  ownPractice: () => ['own-practice'] as const,
  backups: () => ['backups'] as const,
  about: () => ['about'] as const,
  me: () => ['me'] as const,
  home: () => ['home'] as const,
  people: () => ['people'] as const,
  phones: () => ['people', 'phones'] as const,
  ownDevices: () => ['me', 'devices'] as const,
  ownPasskeys: () => ['me', 'passkeys'] as const,
  fromHome: () => ['round', 'from-home'] as const,
  aside: () => ['round', 'aside'] as const,
};

export interface Difference {
  label: string;
  mine: string;
  theirs: string;
}

/** Where two hands wrote differently: the fields that have a name, each in words. */
export function differences<T extends object>(
  labels: Partial<Record<keyof T, string>>,
  mine: T,
  theirs: T,
): Difference[] {
  return (Object.entries(labels) as [keyof T, string][])
    .filter(([key]) => JSON.stringify(mine[key]) !== JSON.stringify(theirs[key]))
    .map(([key, label]) => ({ label, mine: said(mine[key]), theirs: said(theirs[key]) }));
}

const said = (value: unknown): string => {
  if (value === null || value === undefined) return '';
  if (Array.isArray(value)) return value.map(said).join(', ');
  if (typeof value === 'object') return Object.values(value).map(said).filter(Boolean).join(' ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value as string | number);
};

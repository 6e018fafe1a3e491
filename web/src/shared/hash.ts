/** What stands behind the # of an address; one that is not well written is taken as it stands. */
export function afterHash(hash: string): string {
  try {
    return decodeURIComponent(hash.slice(1));
  } catch {
    return hash.slice(1);
  }
}

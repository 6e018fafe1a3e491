/** A number as it is typed, with a comma or a point: null for nothing typed, NaN for what is no number, so that a form can say so. */
export function readNumber(text: string | undefined): number | null {
  const typed = text?.trim() ?? '';
  if (typed === '') return null;
  return /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(typed) ? Number(typed.replace(',', '.')) : NaN;
}

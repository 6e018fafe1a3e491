/** A chance as a whole percent that never claims certainty it has not. */
export const chanceText = (chance: number) =>
  chance > 0.99 ? '>99 %' : chance < 0.01 ? '<1 %' : `${Math.round(chance * 100)} %`;

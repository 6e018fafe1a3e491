import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { closureWords, frontWords, materialWords } from '../shared/words';
import { priceText } from '../shared/writing';

type Fit = Schemas['FitDto'];

export const nameOf = (fit: Fit) => `${fit.bare.name} ${fit.size.label}`;

/** What a muzzle is, in a line. */
export const factsOf = (fit: Fit) =>
  [
    fit.bare.maker,
    materialWords[fit.bare.material].toLowerCase(),
    closureWords[fit.bare.closure].toLowerCase(),
    t`front ${frontWords[fit.bare.frontOpening].toLowerCase()}`,
    fit.size.massG ? `${fit.size.massG} g` : '',
    fit.size.price == null ? '' : priceText(fit.size.price),
    fit.inVan > 0 ? t`${fit.inVan} in the van` : fit.bare.leadDays === null ? '' : t`${fit.bare.leadDays ?? 0} days`,
    fit.colour ? t`in ${fit.colour}` : fit.bare.colours.map((c) => c.name).join(t` or `),
  ]
    .filter(Boolean)
    .join(' · ');

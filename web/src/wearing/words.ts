import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';

export const occasionWords: Record<Schemas['Occasion'], string> = {
  fun: t`Fun`,
  ordinary: t`Ordinary`,
  stressful: t`Stressful`,
};

export const endingWords: Record<Schemas['WearEnding'], string> = {
  takenOff: t`Taken off`,
  stopped: t`Stopped`,
  pawedOff: t`It got it off by itself`,
};

/** A shape for each, so that no occasion is told by colour alone. */
export const occasionMarks: Record<Schemas['Occasion'], string> = { fun: '●', ordinary: '○', stressful: '✕' };

export const rubWords: Record<Schemas['RubPlace'], string> = {
  noseBridge: t`Bridge of the nose`,
  underTheEyes: t`Under the eyes`,
  cheeks: t`Cheeks`,
  chin: t`Chin`,
  throat: t`Throat`,
  behindTheEars: t`Behind the ears`,
  forehead: t`Forehead`,
};

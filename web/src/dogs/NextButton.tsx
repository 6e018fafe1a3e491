import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import { useStartSession } from '../conditioning/useStartSession';
import type { Schemas } from '../shared/api';
import styles from './next.module.css';

const rooms: Record<Exclude<Schemas['NextKind'], 'session'>, { path: string; does: string }> = {
  dog: { path: '', does: t`Open` },
  measure: { path: '/measure', does: t`Measure` },
  fit: { path: '/fit', does: t`Fit` },
  tryOn: { path: '/fit/try', does: t`Try on` },
  plan: { path: '/plan', does: t`See the plan` },
  wear: { path: '/wear', does: t`Wear` },
  inspect: { path: '/wear/muzzle', does: t`Inspect` },
  appointment: { path: '/wear/visits', does: t`Look` },
  rest: { path: '/plan', does: t`See the plan` },
};

/** The one thing that is next for a dog, one click from doing it. */
export function NextButton({
  dog,
  next: { kind, title, detail },
  openSessionId,
}: {
  dog: { id: string; name: string };
  next: Schemas['NextThing'];
  openSessionId: string | null;
}) {
  const start = useStartSession(dog.id);
  return (
    <div className={styles.thing}>
      <div className={styles.said}>
        <p className={styles.title}>{title}</p>
        <p className={styles.muted}>{detail}</p>
      </div>
      {kind === 'session' ? (
        <button
          type="button"
          className={`${styles.do} ${styles.train}`}
          aria-busy={start.isPending}
          onClick={() => start.isPending || start.mutate()}
          aria-label={openSessionId ? t`Go on: ${dog.name}` : t`Train: ${dog.name}`}
        >
          {openSessionId ? t`Go on` : t`Train`}
        </button>
      ) : (
        <RouterLink
          className={`${styles.do} ${kind === 'rest' ? '' : styles.outlined}`}
          to={`/dogs/${dog.id}${rooms[kind].path}`}
          aria-label={`${rooms[kind].does}: ${dog.name}`}
        >
          {rooms[kind].does}
        </RouterLink>
      )}
    </div>
  );
}

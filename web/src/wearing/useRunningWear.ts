import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { outbox } from '../shared/queries';
import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';
import { newId } from '../shared/ids';
import { mark, type Mark } from '../shared/since';
import { wearDocument, wearKey, type WearDraft } from './documents';

/** A wear under way, as the server has it or as it was begun here. */
export type Running = WearDraft & {
  id: string;
  version: number;
  soonSeconds: number | null;
  forgottenSeconds: number | null;
  /** How long it was on by the server's clock when it last told, and when that was; null where it was begun here. */
  wornSeconds?: number | null;
  told?: Mark;
};

const place = (dogId: string) => `jaunty-badge.wear-on.${dogId}`;

/** The wear that is on: begun on this device, also while the server is away, or known to the server. */
export function useRunningWear(dogId: string, name: string, wears: Schemas['WearDto'][] | undefined) {
  const [begun, setBegun] = useState(() => fromDevice<Running>(place(dogId)));
  const [ended, setEnded] = useState<{ id: string; draft: WearDraft } | null>(null);
  const candidate = begun ?? wears?.find((w) => w.endedAt === null && w.id !== ended?.id) ?? null;
  const known = candidate && wears?.find((w) => w.id === candidate.id);
  const unsent = candidate && outbox.unsaved<WearDraft>(wearDocument.name, wearKey(dogId, candidate.id));
  // One that came off here, or that another hand has ended, is over.
  const over = unsent ? unsent.value.endedAt !== null : known ? known.endedAt !== null : false;
  const running = candidate && !over ? (known ?? candidate) : null;
  return {
    running: running as Running | null,
    /** What came off here last. */
    ended,
    start: ({
      soonSeconds,
      forgottenSeconds,
      ...with_
    }: Pick<WearDraft, 'occasion' | 'happyId' | 'exercise' | 'capMinutes' | 'strap' | 'place'> &
      Pick<Running, 'soonSeconds' | 'forgottenSeconds'>) => {
      const draft: WearDraft = {
        ...with_,
        startedAt: new Date().toISOString(),
        endedAt: null,
        forWhat: null,
        who: null,
        signs: [],
        takenBack: [],
        rubs: [],
        treatId: null,
        treatPieces: 0,
        note: null,
        ending: 'takenOff',
        begun: mark(),
        off: null,
      };
      const wear = { ...draft, id: newId(), version: 0, soonSeconds, forgottenSeconds };
      keepOnDevice(place(dogId), wear);
      outbox.change(wearDocument.name, wearKey(dogId, wear.id), draft, 0, t`The wear of ${name}`);
      void outbox.now(wearDocument.name, wearKey(dogId, wear.id));
      setBegun(wear);
    },
    /** It came off: what is told of it waits in the outbox. */
    end: (id: string, draft: WearDraft) => {
      dropFromDevice(place(dogId));
      setBegun(null);
      setEnded({ id, draft });
    },
  };
}

import { sessionLog } from '../conditioning/deliver';
import { api, ask, type Schemas } from '../shared/api';
import { newId } from '../shared/ids';
import { outbox } from '../shared/queries';
import type { Left } from '../shared/saving/outbox';

/** Sends all that waits here to the fitter's tray, in its order; what has arrived is dropped here. */
export async function sendAside() {
  for (const left of outbox.left()) {
    const of = left.name === sessionLog.name ? `/api/sessions/${left.id}` : `/api/dogs/${left.id.split('~')[0]}`;
    await ask(
      api.POST('/api/aside', {
        body: {
          id: left.item?.id ?? newId(),
          method: 'POST',
          path: of,
          body: JSON.stringify(left),
          at: left.item?.at ?? null,
        },
      }),
    );
    outbox.drop(left);
  }
}

/** Takes in what a withdrawn device sent, as one's own: it goes the way everything recorded goes. */
export async function takeFromAside(aside: Schemas['AsideDto']) {
  outbox.takeIn(JSON.parse(aside.body) as Left);
  await looked(aside, true);
}

export const leaveAside = (aside: Schemas['AsideDto']) => looked(aside, false);

const looked = ({ id }: Schemas['AsideDto'], taken: boolean) =>
  ask(api.POST('/api/aside/{asideId}/looked', { params: { path: { asideId: id }, query: { taken } } }));

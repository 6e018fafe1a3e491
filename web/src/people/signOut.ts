import { api, ask } from '../shared/api';
import { queries } from '../shared/queries';
import { emptyDevice } from '../shared/saving/device';

/** Goes out: what this device keeps of the practice goes first from the server's side, then from here. */
export async function signOut() {
  await ask(api.POST('/api/sign-out'));
  queries.clear();
  await emptyDevice();
  location.assign('/');
}

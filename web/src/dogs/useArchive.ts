import { t } from '@lingui/core/macro';
import { api, ask, words } from '../shared/api';
import { useDogChanged } from '../shared/dog';
import { complain, notify } from '../shared/notices';

export function useArchive() {
  const changed = useDogChanged();
  const restore = useRestore();
  return async (dog: { id: string; name: string }) => {
    try {
      await ask(api.POST('/api/dogs/{id}/archive', { params: { path: { id: dog.id } } }));
      await changed(dog.id);
      notify(t`${dog.name} is off the round.`, () => void restore(dog));
    } catch (error) {
      complain(words(error));
    }
  };
}

export function useRestore() {
  const changed = useDogChanged();
  return async (dog: { id: string; name: string }) => {
    try {
      await ask(api.POST('/api/dogs/{id}/restore', { params: { path: { id: dog.id } } }));
      await changed(dog.id);
      notify(t`${dog.name} is back on the round.`);
    } catch (error) {
      complain(words(error));
    }
  };
}

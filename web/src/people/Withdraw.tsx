import { Button } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';

/** Lets a device in no more, with one tap, at once. */
export function Withdraw({ phone }: { phone: Schemas['DeviceDto'] }) {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: () => ask(api.DELETE('/api/phones/{phoneId}', { params: { path: { phoneId: phone.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: keys.people() });
      notify(t`${phone.name} may come in no more. What it did keeps the name of ${phone.person}.`);
    },
    onError: (error) => complain(words(error)),
  });
  return (
    <Button
      size="sm"
      variant="outline"
      borderColor="border.strong"
      aria-label={t`Withdraw ${phone.name} of ${phone.person}`}
      loading={withdraw.isPending}
      onClick={() => withdraw.mutate()}
    >{t`Withdraw`}</Button>
  );
}

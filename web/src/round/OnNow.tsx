import { Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useEffect, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { api, ask, editing, words, type Schemas } from '../shared/api';
import { useDogChanged } from '../shared/dog';
import { complain } from '../shared/notices';

/** A muzzle that is on beyond its time: how long over, and off with one tap. */
export function OnNow({ card, on }: { card: { id: string; name: string }; on: Schemas['WearOnDto'] }) {
  const changed = useDogChanged();
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 5_000);
    return () => clearInterval(timer);
  }, []);
  const over = on.offBy ? Math.floor((now - Date.parse(on.offBy)) / 60_000) : -1;
  if (over < 0) return null;
  const forgotten = on.forgottenFrom !== null && now > Date.parse(on.forgottenFrom);
  const takeOff = async () => {
    try {
      await ask(
        api.PUT('/api/dogs/{id}/wears/{wearId}', {
          params: { path: { id: card.id, wearId: on.id }, header: editing(on.version) },
          // Only that it came off just now is told; the rest stays as others have it.
          body: {
            startedAt: on.startedAt,
            occasion: on.occasion,
            endedAt: new Date().toISOString(),
            endedAgo: 0,
            said: { endedAt: 0 },
          },
        }),
      );
      await changed(card.id);
    } catch (error) {
      complain(words(error));
    }
  };
  return (
    <Flex align="center" gap="3" wrap="wrap" mb="2">
      <Text role="alert" flex="1" fontWeight="700" fontSize="xl" color="stop">
        {over < 120 ? t`⬣ ${over} min over: take it off` : t`⬣ ${Math.floor(over / 60)} h over: take it off`}
      </Text>
      {forgotten ? (
        <Button asChild colorPalette="brick">
          <RouterLink to={`/dogs/${card.id}/wear`}>{t`Say when it came off: ${card.name}`}</RouterLink>
        </Button>
      ) : (
        <Button colorPalette="brick" onClick={() => void takeOff()}>{t`Taken off: ${card.name}`}</Button>
      )}
    </Flex>
  );
}

import { Box, Flex, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useWatch } from 'react-hook-form';
import { request, type Schemas } from '../shared/api';
import { useDogChanged } from '../shared/dog';
import { firstProblem } from '../shared/form/refuse';
import { notify } from '../shared/notices';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { nameOf } from './facts';
import { useWithdraw, type Question } from './useFits';
import { Ways } from './Ways';

type Fit = Schemas['FitDto'];

/** Choosing it, trying it on, and what to write down when it is out. */
export function Keep({ card, fit, question }: { card: Schemas['DogCardDto']; fit: Fit; question: Question }) {
  const kept = useKeptForm<{ note: string }>(`choice/${card.dog.id}.${fit.sizeId}`, { note: '' });
  const { form } = kept;
  const note = useWatch({ control: form.control, name: 'note' });
  const withdraw = useWithdraw(card.dog.id);
  const changed = useDogChanged();
  const sending = useSubmit<{ note: string }, Schemas['ChoiceDto']>(kept, 'note', async (choice) => {
    form.reset({ note: '' });
    await changed(card.dog.id);
    notify(t`${choice.kept.model} ${choice.kept.size.label} is kept with its reasons.`, () => void withdraw(choice.id));
  });
  const problem = firstProblem(form);
  const chosen = card.choice?.sizeId === fit.sizeId;
  const choose = () =>
    sending.submit({
      ...request(
        'post',
        '/api/dogs/{id}/choice',
        { id: card.dog.id },
        { sizeId: fit.sizeId, ...question, note: note === '' ? null : note },
      ),
      what: t`${nameOf(fit)} for ${card.dog.name}`,
      dogId: card.dog.id,
    });
  return (
    <Flex my="2" gap="3" align="end" wrap="wrap">
      {fit.needsNote && !chosen && (
        <Box as="label" flex="1 1 16rem">
          <Text as="span" fontSize="sm">{t`It is out. To keep it all the same, write down why:`}</Text>
          <Input value={note} onChange={(e) => form.setValue('note', e.target.value)} borderColor="border.strong" />
        </Box>
      )}
      <Ways card={card} fit={fit} onChoose={sending.isOnItsWay ? undefined : choose} />
      {sending.state && (
        <Text role="status" w="full" fontSize="sm" color="fg.muted">
          {sending.state}
        </Text>
      )}
      {problem && (
        <Text role="alert" color="stop">
          {problem}
        </Text>
      )}
    </Flex>
  );
}

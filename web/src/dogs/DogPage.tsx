import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { FormProvider } from 'react-hook-form';
import { dateText } from '../shared/dates';
import { NextButton } from './NextButton';
import { SessionRecord } from '../conditioning/SessionRecord';
import { usePadReady } from '../conditioning/useStartSession';
import type { Schemas } from '../shared/api';
import { strapText } from '../fitting/strap';
import { Cautions } from '../shared/Cautions';
import { Conflict } from '../shared/saving/Conflict';
import { differences } from '../shared/saving/differences';
import { useDocument } from '../shared/saving/useDocument';
import { useDocumentForm } from '../shared/saving/useDocumentForm';
import { useUnit, lengthText } from '../shared/units';
import { verdictWords } from '../shared/words';
import { DogForm } from './DogForm';
import { dogDocument } from './document';
import { dogLabels, draftOf } from './draft';
import { useThisDog } from '../shared/dog';
import { useArchive, useRestore } from './useArchive';

/** Who the dog is, what is next for it and what has happened so far. */
export function DogPage() {
  const card = useThisDog();
  usePadReady(card.dog.id, card.next.kind === 'session');
  return (
    <Flex direction="column" gap="8">
      <Box maxW="40rem" borderLeftWidth="4px" borderColor="accent" ps="4">
        <NextButton dog={card.dog} next={card.next} openSessionId={card.openSessionId} />
      </Box>
      <Editor key={card.dog.id} dog={card.dog} />
      {card.choice && <Chosen choice={card.choice} tried={card.tried} />}
      <SessionRecord dogId={card.dog.id} />
      <Cautions cautions={card.cautions} />
    </Flex>
  );
}

function Editor({ dog }: { dog: Schemas['DogDto'] }) {
  const { value, change, fields, state, theirs, keepMine, takeTheirs } = useDocument(
    dogDocument,
    dog.id,
    dog,
    dog.name,
  );
  const form = useDocumentForm(value, fields, change);
  const archive = useArchive();
  const restore = useRestore();
  return (
    <Box>
      {theirs && (
        <Conflict
          says="Someone else changed this dog while you were typing. Nothing you typed is lost."
          differences={differences(dogLabels, value, draftOf(theirs))}
          keepMine={keepMine}
          takeTheirs={takeTheirs}
        />
      )}
      <FormProvider {...form}>
        <DogForm />
      </FormProvider>
      <Flex mt="4" gap="4" align="center">
        <Text role="status" color="fg.muted" minW="12rem">
          {state}
        </Text>
        <Button variant="ghost" size="sm" ms="auto" onClick={() => void (dog.archived ? restore(dog) : archive(dog))}>
          {dog.archived ? 'Put back on the round' : 'Archive this dog'}
        </Button>
      </Flex>
    </Box>
  );
}

function Chosen({ choice, tried }: { choice: Schemas['ChoiceDto']; tried: Schemas['DogCardDto']['tried'] }) {
  const { unit } = useUnit();
  const { kept } = choice;
  const strap = tried?.strap ?? kept.strap;
  const day = (at: string) => dateText(at, 'day');
  return (
    <Box as="section">
      <Heading as="h2" size="lg">
        The muzzle chosen
      </Heading>
      <Text fontSize="xl">
        <b>
          {kept.model} {kept.size.label}
        </b>{' '}
        by {kept.maker}, {verdictWords[kept.verdict].toLowerCase()}
      </Text>
      {strap && (
        <Text>
          Neck strap: <b>{strapText(strap, unit)}</b>, a loop of {lengthText(strap.loopMm, unit)}
          {tried?.strap ? ', as fastened on the dog' : ', as worked out'}.
        </Text>
      )}
      <Text>
        {!tried
          ? 'Not tried on the dog yet.'
          : tried.wrong
            ? `Tried on ${day(tried.at)}: ${tried.wrong}.`
            : `Tried on ${day(tried.at)}: ${tried.fineShare === 1 ? 'all fine' : `fine so far, ${Math.round(tried.fineShare * 100)} % of the checks`}.`}
      </Text>
      <Text color="fg.muted" fontSize="sm" mt="2">
        Chosen {day(choice.chosenAt)}; the reasons as they were then:
      </Text>
      <Box as="ul" ps="5" listStyleType="disc" fontSize="sm" mt="1">
        {kept.criteria.map((c) => (
          <li key={c.name + c.reason}>{c.reason}</li>
        ))}
        {kept.notChecked.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
        {kept.note && <li>Note: {kept.note}</li>}
      </Box>
    </Box>
  );
}

import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useSyncExternalStore } from 'react';
import { FormProvider } from 'react-hook-form';
import { dateText } from '../shared/dates';
import { useSearchParams } from 'react-router';
import { NextButton } from './NextButton';
import { Record } from './Record';
import { usePadReady } from '../conditioning/useStartSession';
import type { Schemas } from '../shared/api';
import { strapText } from '../fitting/strap';
import { outbox } from '../shared/queries';
import { Cautions } from '../shared/Cautions';
import { Conflict } from '../shared/saving/Conflict';
import { differences } from '../shared/saving/differences';
import { useDocument } from '../shared/saving/useDocument';
import { useDocumentForm } from '../shared/saving/useDocumentForm';
import { useUnit, lengthText } from '../shared/units';
import {
  biteWords,
  healthWords,
  purposeWords,
  sensitivityWords,
  temperamentWords,
  verdictWords,
} from '../shared/words';
import { DogForm } from './DogForm';
import { dogDocument } from './document';
import { dogLabels, draftOf } from './draft';
import { useThisDog } from '../shared/dog';
import { Parts } from '../shared/Parts';
import { useArchive, useRestore } from './useArchive';

/** The dog: what there is to do, the muzzle it wears, and its record; who it is folds away behind Edit. */
export function DogPage() {
  const card = useThisDog();
  const [search, setSearch] = useSearchParams();
  usePadReady(
    card.dog.id,
    card.things.some((t) => t.kind === 'session'),
  );
  const bare = card.dog.purposes.length === 0;
  // What could not be saved is never folded away.
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const edits = search.has('edit') || bare || outbox.unsaved(dogDocument.name, card.dog.id) !== null;
  return (
    <Flex direction="column" gap="8">
      <Flex gap={{ base: 6, lg: 12 }} direction={{ base: 'column', lg: 'row' }} align="start">
        <Flex
          direction="column"
          gap="4"
          flex="1"
          w="full"
          maxW="40rem"
          borderInlineStartWidth="4px"
          borderColor="accent"
          ps="4"
        >
          {card.things.map((thing) => (
            <NextButton
              key={thing.matter + thing.title}
              dog={card.dog}
              next={thing}
              openSessionId={card.openSessionId}
            />
          ))}
          {card.done.length > 0 && <Text color="fg.muted">{t`✓ Today: ${card.done.join(' · ')}`}</Text>}
        </Flex>
        <Who card={card} edits={edits} onEdit={() => setSearch(edits ? {} : { edit: '' }, { replace: true })} />
      </Flex>
      {edits && <Editor key={card.dog.id} dog={card.dog} />}
      {card.choice && <Chosen choice={card.choice} tried={card.tried} />}
      <Parts at="dog" dog={card.dog} />
      <Record dogId={card.dog.id} />
      <Parts at="dogRecord" dog={card.dog} />
      <Cautions cautions={card.cautions} />
    </Flex>
  );
}

/** The dog in a few words. */
function Who({ card, edits, onEdit }: { card: Schemas['DogCardDto']; edits: boolean; onEdit: () => void }) {
  const { dog } = card;
  const lines = [
    [t`Kept by`, [dog.keeper, dog.place].filter(Boolean).join(', ')],
    [t`For`, dog.purposes.map((p) => purposeWords[p].toLowerCase()).join(', ')],
    [t`Nature`, temperamentWords[dog.temperament].toLowerCase()],
    [t`Minds`, dog.sensitivities.map((s) => sensitivityWords[s].toLowerCase()).join(', ')],
    [t`Bites`, dog.biteTier === 'none' ? '' : biteWords[dog.biteTier]],
    [t`Health`, dog.health.map((h) => healthWords[h].toLowerCase()).join(', ')],
    [t`Notes`, dog.notes ?? ''],
  ].filter(([, text]) => text);
  return (
    <Box flex="1" w="full">
      {lines.map(([label, text]) => (
        <Flex key={label} gap="3">
          <Text w="5rem" flexShrink="0" color="fg.muted">
            {label}
          </Text>
          <Text flex="1">{text}</Text>
        </Flex>
      ))}
      <Button size="sm" mt="2" variant="outline" borderColor="border.strong" aria-expanded={edits} onClick={onEdit}>
        {edits ? t`Done editing` : t`Edit`}
      </Button>
    </Box>
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
          says={t`Someone else changed this dog while you were typing. Nothing you typed is lost.`}
          differences={differences(dogLabels, value, draftOf(theirs))}
          keepMine={keepMine}
          takeTheirs={takeTheirs}
        />
      )}
      <FormProvider {...form}>
        <DogForm />
      </FormProvider>
      <Flex mt="4" gap="4" align="center" wrap="wrap">
        <Text role="status" color="fg.muted" minW="12rem">
          {state}
        </Text>
        <Button variant="ghost" size="sm" ms="auto" onClick={() => void (dog.archived ? restore(dog) : archive(dog))}>
          {dog.archived ? t`Put back on the round` : t`Archive this dog`}
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
      <Heading as="h2" size="lg">{t`The muzzle chosen`}</Heading>
      <Text fontSize="xl">
        <Trans>
          <b>
            {kept.model} {kept.size.label}
          </b>{' '}
          by {kept.maker}, {verdictWords[kept.verdict].toLowerCase()}
        </Trans>
      </Text>
      {strap && (
        <Text>
          <Trans>
            Neck strap: <b>{strapText(strap, unit)}</b>, a loop of {lengthText(strap.loopMm, unit)}
            {tried?.strap ? t`, as fastened on the dog` : t`, as worked out`}.
          </Trans>
        </Text>
      )}
      <Text>
        {!tried
          ? t`Not tried on the dog yet.`
          : tried.wrong
            ? t`Tried on ${day(tried.at)}: ${tried.wrong}.`
            : t`Tried on ${day(tried.at)}: ${tried.fineShare === 1 ? t`all fine` : t`fine so far, ${Math.round(tried.fineShare * 100)} % of the checks`}.`}
      </Text>
      {kept.note && <Text>{t`Note: ${kept.note}`}</Text>}
      <details>
        <Box
          as="summary"
          color="fg.muted"
          fontSize="sm"
          mt="2"
          cursor="pointer"
        >{t`Chosen ${day(choice.chosenAt)}; the reasons as they were then`}</Box>
        <Box as="ul" ps="5" listStyleType="disc" fontSize="sm" mt="1">
          {kept.criteria.map((c) => (
            <li key={c.name + c.reason}>{c.reason}</li>
          ))}
          {kept.notChecked.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </Box>
      </details>
    </Box>
  );
}

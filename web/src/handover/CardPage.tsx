import { Box, Button, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState, type ReactNode } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { useThisDog } from '../shared/dog';
import { entries } from '../shared/words';
import { useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { CardView } from './CardView';
import { HandOver } from './HandOver';
import { audienceWords, isAudience, pageWords, useCard, usePapers, type Audience, type Page } from './useHandover';

/** What goes with the dog: a card for whoever handles it, papers, files, and the dog itself to somebody else. */
export function CardPage() {
  const { dog } = useThisDog();
  const [search, setSearch] = useSearchParams();
  const asked = search.get('for') ?? undefined;
  const audience: Audience = isAudience(asked) ? asked : dog.purposes.includes('clinic') ? 'clinic' : 'walker';
  const [page, setPage] = useState<Page>('a4');
  const card = useCard(dog.id, audience);
  return (
    <Flex direction="column" gap="10">
      <Box>
        <Flex gap="3" wrap="wrap" align="end" mb="4" className="no-print">
          <Flex role="group" aria-label={t`For whom`} gap="1" wrap="wrap">
            {entries(audienceWords).map(([id, text]) => (
              <Button
                key={id}
                size="sm"
                variant={id === audience ? 'solid' : 'outline'}
                borderColor="border.strong"
                aria-pressed={id === audience}
                onClick={() => setSearch({ for: id }, { replace: true })}
              >
                {text}
              </Button>
            ))}
          </Flex>
          <Box w="11rem">
            <Choice<Page> label={t`Paper`} size="sm" value={page} options={entries(pageWords)} onChange={setPage} />
          </Box>
          <Button asChild size="sm" colorPalette="marigold">
            <a href={`/api/dogs/${dog.id}/card.pdf?for=${audience}&page=${page}`} target="_blank" rel="noreferrer">
              {t`Print it or keep it`}
            </a>
          </Button>
          <Button asChild size="sm" variant="ghost">
            <RouterLink to={`/cards/${dog.id}/${audience}`}>{t`Show it large`}</RouterLink>
          </Button>
        </Flex>
        {card.data ? <CardView card={card.data} level="h2" /> : <Waiting query={card} />}
      </Box>
      <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'repeat(2, minmax(0, 1fr))' }} gap="10" className="no-print">
        <Papers dogId={dog.id} />
        <Files dog={dog} />
        <HandOver dog={dog} />
      </Grid>
    </Flex>
  );
}

const paperWords: Record<Schemas['PaperKind'], { name: string; says: string }> = {
  strip: { name: t`Fit strip`, says: t`to lay on the snout: fit line, eye line, the gaps` },
  strap: { name: t`Strap strip`, says: t`to lay along the neck strap: the hole to mark` },
  cup: { name: t`Practice cup`, says: t`to cut out and glue, for this snout` },
  template: { name: t`Template`, says: t`side and opening of the basket chosen` },
};

function Papers({ dogId }: { dogId: string }) {
  const papers = usePapers(dogId);
  const { unit } = useUnit();
  const [page, setPage] = useState<Page>('a4');
  return (
    <Box as="section" aria-label={t`Papers at 1:1`}>
      <Flex align="baseline" gap="4" wrap="wrap">
        <Heading as="h2" size="xl">{t`Papers at 1:1`}</Heading>
        <Box w="8rem">
          <Choice<Page>
            label={t`Paper of the papers`}
            size="sm"
            value={page}
            options={entries(pageWords).filter(([id]) => id !== 'a4Folded')}
            onChange={setPage}
          />
        </Box>
      </Flex>
      <Text
        fontSize="sm"
        color="fg.muted"
        mb="1"
      >{t`Print at 100 %, without fitting to the page: measure the square first.`}</Text>
      {!papers.data && <Waiting query={papers} />}
      <ul>
        {papers.data?.map((paper) => (
          <Row
            key={paper.kind}
            name={paperWords[paper.kind].name}
            says={paper.not ?? paperWords[paper.kind].says}
            href={paper.not ? null : `/api/dogs/${dogId}/papers/${paper.kind}.pdf?page=${page}&unit=${unit}`}
          />
        ))}
      </ul>
    </Box>
  );
}

type Table = 'sessions' | 'wears' | 'inspections' | 'visits' | 'readings' | 'treats';

const tableWords: Record<Table, string> = {
  sessions: t`Sessions, a row a go`,
  wears: t`Wears`,
  inspections: t`Inspections`,
  visits: t`Visits`,
  readings: t`Readings`,
  treats: t`Treats`,
};

function Files({ dog }: { dog: Schemas['DogDto'] }) {
  const { unit } = useUnit();
  const at = `/api/dogs/${dog.id}`;
  return (
    <Box as="section" aria-label={t`Files`}>
      <Heading as="h2" size="xl">{t`Files`}</Heading>
      <ul>
        <Row
          name={t`Report`}
          says={t`for a veterinarian or a behaviour professional: facts on record`}
          href={`${at}/report.pdf?unit=${unit}`}
        />
        <Row name={t`Order sheet`} says={t`for a muzzle made to measure`} href={`${at}/order.pdf?unit=${unit}`} />
        <Row
          name={t`Calendar`}
          says={t`its days for any calendar (iCalendar): sessions, visits, upkeep`}
          href={`${at}/calendar.ics`}
          download
        />
        <Row
          name={t`Dossier`}
          says={t`the whole dog in one ZIP, for another practice that keeps it`}
          href={`${at}/dossier.zip`}
          download
        />
      </ul>
      <Box as="details" mt="2">
        <summary>{t`Tables for a spreadsheet (CSV)`}</summary>
        <ul>
          {entries(tableWords).map(([id, text]) => (
            <Row key={id} name={text} href={`${at}/tables/${id}.csv`} download />
          ))}
        </ul>
      </Box>
    </Box>
  );
}

/** Something to take along. */
export function Row({
  name,
  says,
  href,
  download = false,
}: {
  name: ReactNode;
  says?: string;
  href: string | null;
  download?: boolean;
}) {
  return (
    <Flex as="li" columnGap="3" py="1.5" borderTopWidth="1px" borderColor="border" align="baseline" wrap="wrap">
      {href === null ? (
        <Text fontWeight="700" color="fg.muted">
          {name}
        </Text>
      ) : (
        <Link
          href={href}
          fontWeight="700"
          textDecoration="underline"
          {...(download ? { download: true } : { target: '_blank', rel: 'noreferrer' })}
        >
          {name}
        </Link>
      )}
      {says && <Text color="fg.muted">{says}</Text>}
    </Flex>
  );
}

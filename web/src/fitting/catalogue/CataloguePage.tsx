import { Box, Button, Flex, Heading, Input, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { keptDrafts, NEW } from '../../shared/saving/drafts';
import { usePageTitle } from '../../shared/usePageTitle';
import { Waiting } from '../../shared/Waiting';
import { closureWords, frontWords, materialWords, typeWords } from '../../shared/words';
import { ImportChart } from './ImportChart';
import { MuzzleEditor } from './MuzzleEditor';
import { Away } from './Away';
import { useCatalogue, useEditCatalogue, type Muzzle } from './useCatalogue';

/** The muzzles to choose from: find, look into, change, add, put away; size charts in and out. */
export function CataloguePage() {
  usePageTitle(t`Catalogue`);
  const catalogue = useCatalogue();
  const { putAway } = useEditCatalogue();
  const [find, setFind] = useState('');
  // What was being typed when the page was left is open again.
  const [open, setOpen] = useState<string | null>(() => {
    const [id] = keptDrafts('muzzle');
    return id === NEW ? '' : (id ?? null);
  });
  const [importing, setImporting] = useState(() => keptDrafts('chart').length > 0);
  if (!catalogue.data) return <Waiting query={catalogue} />;
  const shown = catalogue.data.filter((m) => matches(m, find));
  const sizes = shown.reduce((sum, m) => sum + m.model.sizes.length, 0);
  return (
    <Box>
      <Heading as="h1" size="3xl">{t`Catalogue`}</Heading>
      <Text>
        <Trans>
          The muzzles every dog is judged against. The shipped ones are invented; take real size charts in, and{' '}
          <Link asChild textDecoration="underline">
            <RouterLink to="/keeping">put the invented ones away</RouterLink>
          </Link>
          .
        </Trans>
      </Text>
      <Flex gap="3" my="4" align="center" wrap="wrap">
        <Input
          w="20rem"
          aria-label={t`Find a muzzle`}
          placeholder={t`any words: wire buckle long`}
          value={find}
          borderColor="border.strong"
          onChange={(e) => setFind(e.target.value)}
        />
        <Text role="status" color="fg.muted">{t`${shown.length} models, ${sizes} sizes`}</Text>
        <Flex gap="2" ms="auto">
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => setImporting(!importing)}
          >{t`Take a size chart in`}</Button>
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => setOpen('')}
          >{t`Add a model`}</Button>
        </Flex>
      </Flex>
      {importing && <ImportChart models={catalogue.data} onLeave={() => setImporting(false)} />}
      {open === '' && <MuzzleEditor muzzle={null} onLeave={() => setOpen(null)} />}
      <Away unreadable />
      <ul>
        {shown.map((m) => (
          <Box as="li" key={m.model.id} py="2" borderTopWidth="1px" borderColor="border">
            <Flex gap="4" align="baseline" wrap="wrap">
              <Text fontWeight="700" w="9rem" fontSize="lg">
                {m.model.name}
              </Text>
              <Text w="9rem" color="fg.muted">
                {m.model.maker}
                {m.shipped && !m.own && t` (invented)`}
                {m.own && t` · version ${m.revision}`}
              </Text>
              <Text flex="1" minW="16rem">
                {[
                  typeWords[m.model.type],
                  materialWords[m.model.material].toLowerCase(),
                  closureWords[m.model.closure].toLowerCase(),
                  t`front ${frontWords[m.model.frontOpening].toLowerCase()}`,
                  m.model.plateMm ? t`plate ${m.model.plateMm} mm` : '',
                  m.model.formableMm ? t`forms ${m.model.formableMm} mm` : '',
                ]
                  .filter(Boolean)
                  .join(', ')}
              </Text>
              <Text w="11rem" color="fg.muted">
                <Trans>
                  {m.model.sizes.length} sizes, {range(m)}
                  {m.inVan > 0 && t`, ${m.inVan} in the van`}
                </Trans>
              </Text>
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                aria-label={t`Change ${m.model.name}`}
                aria-expanded={open === m.model.id}
                onClick={() => setOpen(open === m.model.id ? null : m.model.id)}
              >{t`Change`}</Button>
              <Link
                href={`/api/catalogue/${m.model.id}/chart.csv`}
                download={`${m.model.id}.csv`}
                fontSize="sm"
                color="fg"
                textDecoration="underline"
              >{t`CSV`}</Link>
              <Button
                size="xs"
                variant="ghost"
                aria-label={t`Put ${m.model.name} away`}
                onClick={() => void putAway(m.model.id, m.version)}
              >{t`Put away`}</Button>
            </Flex>
            {open === m.model.id && <MuzzleEditor muzzle={m} onLeave={() => setOpen(null)} />}
          </Box>
        ))}
      </ul>
      <Away />
    </Box>
  );
}

const range = (m: Muzzle) => {
  const lengths = m.model.sizes.map((s) => s.lengthMm);
  return t`${Math.round(Math.min(...lengths))}–${Math.round(Math.max(...lengths))} mm long`;
};

const matches = ({ model: m }: Muzzle, find: string) => {
  const text = [
    m.name,
    m.maker,
    typeWords[m.type],
    materialWords[m.material],
    closureWords[m.closure],
    frontWords[m.frontOpening],
    m.note,
  ]
    .join(' ')
    .toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
};

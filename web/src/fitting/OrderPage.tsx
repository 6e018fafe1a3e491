import { Box, Button, Flex, Heading, Link, List, Table, Text } from '@chakra-ui/react';
import { listSlotRecipe, tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { useThisDog } from '../shared/dog';
import type { Schemas } from '../shared/api';
import { lengthText, useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { useOrder } from './useFits';
import { provenanceWords } from '../shared/words';

/** The sheet for a muzzle made to measure: to print, or as JSON. */
export function OrderPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const order = useOrder(card.dog.id, unit);
  if (!order.data) return <Waiting query={order} />;
  const sheet = order.data;
  return (
    <Box maxW="52rem" className="sheet">
      <Flex align="baseline" gap="4" wrap="wrap">
        <Heading as="h2" size="2xl">{t`A muzzle made to measure for ${sheet.dog}`}</Heading>
        <Text color="fg.muted">{[sheet.breeds, dateText(sheet.date, 'day')].filter(Boolean).join(' · ')}</Text>
      </Flex>
      <Flex gap="4" my="3" align="center" className="no-print">
        <Button colorPalette="marigold" onClick={() => window.print()}>{t`Print it`}</Button>
        <Link
          href={`/api/dogs/${card.dog.id}/order?unit=${unit}`}
          download={`${sheet.dog}-order.json`}
          color="fg"
          textDecoration="underline"
        >{t`As JSON`}</Link>
      </Flex>
      <Text>
        <Trans>
          Inner dimensions, without material, coating or padding. Made as wanted, the mouth opens{' '}
          <b>{Math.round(sheet.gapeDeg)}°</b>.
        </Trans>
      </Text>
      <Dimensions dimensions={sheet.dimensions} />
      <Part title={t`It must have, and must not`} lines={sheet.features} />
      <Part title={t`Shape of this head`} lines={sheet.shapeNotes} />
      <Part title={t`To be confirmed by the maker`} lines={sheet.confirm} boxes />
      <Part
        title={t`What the numbers rest on`}
        lines={sheet.readings.map(
          (r) => `${r.name}: ${lengthText(r.mm, unit)}, ${provenanceWords[r.provenance]} (${r.how}).`,
        )}
      />
      <Part
        title={t`Before it is worn`}
        lines={[...sheet.cautions, t`Local rules on muzzles, transport and dangerous dogs decide.`]}
      />
    </Box>
  );
}

function Dimensions({ dimensions }: { dimensions: Schemas['OrderDimensionDto'][] }) {
  const { unit } = useUnit();
  return (
    <Box overflowX="auto">
      <Table.Root
        recipe={tableSlotRecipe}
        size="sm"
        my="3"
        css={{ '& td, & th': { background: 'transparent', borderColor: 'border' } }}
      >
        <Table.Header>
          <Table.Row bg="transparent">
            <Table.ColumnHeader>{t`Inner dimension`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`Wanted`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`From – to`}</Table.ColumnHeader>
            <Table.ColumnHeader>{t`Why`}</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {dimensions.map((d) => (
            <Table.Row key={d.name} bg="transparent">
              <Table.Cell fontWeight="700">{d.name}</Table.Cell>
              <Table.Cell textAlign="end" fontSize="xl" fontWeight="700" whiteSpace="nowrap">
                {lengthText(d.wantedMm, unit)}
              </Table.Cell>
              <Table.Cell textAlign="end" whiteSpace="nowrap">
                {d.leastMm === null ? '' : lengthText(d.leastMm, unit, false)} –{' '}
                {d.mostMm === null ? t`any more` : lengthText(d.mostMm, unit)}
              </Table.Cell>
              <Table.Cell fontSize="sm" minW="12rem">
                {d.why}
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

function Part({ title, lines, boxes = false }: { title: string; lines: string[]; boxes?: boolean }) {
  if (lines.length === 0) return null;
  return (
    <Box mt="4" css={{ breakInside: 'avoid' }}>
      <Heading as="h3" size="md">
        {title}
      </Heading>
      <List.Root recipe={listSlotRecipe} ps={boxes ? '0' : '5'} listStyleType={boxes ? 'none' : 'disc'}>
        {lines.map((line) => (
          <List.Item key={line}>
            {boxes && '☐ '}
            {line}
          </List.Item>
        ))}
      </List.Root>
    </Box>
  );
}

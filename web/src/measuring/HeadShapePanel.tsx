import { Box, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { Why } from '../shared/Why';
import { shapeWayWords, shapeWords } from '../shared/words';

/** The head shape with every way of telling it side by side, the most trusted first. */
export function HeadShapePanel({ choice }: { choice: Schemas['HeadShapeDto'] }) {
  return (
    <Box as="section" mt="4" aria-label={t`Head shape`}>
      <Flex align="baseline" gap="2">
        <Heading as="h2" size="lg">{t`Head shape: ${shapeWords[choice.shape].toLowerCase()}`}</Heading>
        <Why basis={choice.basis} about={t`Head shape`} />
      </Flex>
      {choice.ways.length === 0 ? (
        <Text>{choice.reason}</Text>
      ) : (
        <Table.Root
          recipe={tableSlotRecipe}
          size="sm"
          css={{ '& td, & th, & tr': { background: 'transparent', borderColor: 'border' } }}
        >
          <Table.Body>
            {choice.ways.map((way, i) => (
              <Table.Row key={way.way}>
                <Table.Cell ps="0" whiteSpace="nowrap" fontWeight={i === 0 ? 700 : 400}>
                  {shapeWayWords[way.way]}
                </Table.Cell>
                <Table.Cell textAlign="end" fontWeight="700" fontSize="md">
                  {way.value === null ? '' : way.way === 'cranialIndex' ? way.value.toFixed(0) : way.value.toFixed(2)}
                </Table.Cell>
                <Table.Cell>
                  {way.shape !== choice.shape && '≠ '}
                  {shapeWords[way.shape].toLowerCase()}
                </Table.Cell>
                <Table.Cell color="fg.muted">{way.reason}</Table.Cell>
                <Table.Cell pe="0">
                  <Why basis={way.basis} about={shapeWayWords[way.way]} />
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      )}
    </Box>
  );
}

/** Said where the dog is measured, above everything else. */
export function AirwayCaution({ choice }: { choice: Schemas['HeadShapeDto'] }) {
  if (!choice.airwayCaution) return null;
  return (
    <Box borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="2" role="note">
      <Text color="stop" fontWeight="700">{t`△ Ask the veterinarian about its airway before any muzzle.`}</Text>
      <Text fontSize="sm">{t`The face is less than half as long as the skull behind it. Airway disease was seen in dogs like that.`}</Text>
    </Box>
  );
}

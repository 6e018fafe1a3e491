import { Box, Button, Flex, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';

/** Somebody else was faster: both are shown, and neither is lost until somebody chose. */
export function Conflict({
  says,
  differences,
  keepMine,
  takeTheirs,
}: {
  says: string;
  differences: { label: string; mine: string; theirs: string }[];
  keepMine: () => void;
  takeTheirs: () => void;
}) {
  return (
    <Box role="alert" borderWidth="2px" borderColor="stop" borderRadius="md" p="4" mb="4">
      <Text fontWeight="700">{says}</Text>
      {differences.length > 0 && (
        <Table.Root
          recipe={tableSlotRecipe}
          size="sm"
          my="3"
          maxW="40rem"
          css={{ '& td, & th': { background: 'transparent', borderColor: 'border' } }}
        >
          <Table.Header>
            <Table.Row bg="transparent">
              <Table.ColumnHeader>{t`Differs`}</Table.ColumnHeader>
              <Table.ColumnHeader>{t`Yours`}</Table.ColumnHeader>
              <Table.ColumnHeader>{t`Theirs`}</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {differences.map((d) => (
              <Table.Row key={d.label} bg="transparent">
                <Table.Cell fontWeight="700">{d.label}</Table.Cell>
                <Table.Cell>{d.mine || '–'}</Table.Cell>
                <Table.Cell>{d.theirs || '–'}</Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      )}
      <Flex gap="3" mt="2">
        <Button size="sm" onClick={keepMine}>{t`Save mine over theirs`}</Button>
        <Button size="sm" variant="outline" onClick={takeTheirs}>{t`Take theirs`}</Button>
      </Flex>
    </Box>
  );
}

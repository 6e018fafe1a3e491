import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, Refused, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { Choice } from '../shared/Choice';
import { notify } from '../shared/notices';
import { lengthText, useUnit } from '../shared/units';
import { nameOf, type Line } from './lines';

interface Row {
  key: string;
  from: string;
  to: string;
}

/** Marks on one string, entered as positions along the ruler it was laid on; the differences are the readings. */
export function StringSheet({
  lines,
  onAdd,
  onClose,
}: {
  lines: Line[];
  onAdd: (reading: Schemas['ReadingEntry']) => Promise<unknown>;
  onClose: () => void;
}) {
  const [rows, setRows] = useState<Row[]>(() => [{ key: lines[0]?.key ?? '', from: '0', to: '' }]);
  const [problems, setProblems] = useState<Record<number, string>>({});
  const change = (at: number, row: Partial<Row>) => {
    setRows(rows.map((r, i) => (i === at ? { ...r, ...row } : r)));
    setProblems({});
  };
  const another = () => {
    const last = rows[rows.length - 1];
    const next = lines[lines.findIndex((l) => l.key === last?.key) + 1] ?? lines[0];
    setRows([...rows, { key: next?.key ?? '', from: last?.from ?? '0', to: '' }]);
  };
  const keep = async () => {
    const left: Row[] = [];
    const wrong: Record<number, string> = {};
    for (const row of rows) {
      const line = lines.find((l) => l.key === row.key);
      if (!line || row.to.trim() === '') continue;
      try {
        await onAdd({
          measure: line.guide.measure,
          side: line.side,
          from: row.from,
          to: row.to,
          tool: 'string',
        });
      } catch (error) {
        wrong[left.length] =
          error instanceof Refused ? (Object.values(error.fields)[0] ?? error.message) : words(error);
        left.push(row);
      }
    }
    if (left.length > 0) {
      setRows(left);
      setProblems(wrong);
      return;
    }
    notify(t`The differences are kept as readings.`);
    onClose();
  };

  return (
    <Box as="section" aria-label={t`String and ruler`} borderInlineStartWidth="4px" borderColor="accent" ps="4" my="3">
      <Heading as="h2" size="lg">{t`String and ruler`}</Heading>
      <Text fontSize="sm">{t`Mark one string (about a metre long) at each landmark, lay it on a ruler, and write down where the marks lie. Several measures may share the first mark.`}</Text>
      {rows.map((row, i) => (
        <Flex key={i} gap="2" align="center" mt="2" wrap="wrap">
          <Choice
            label={t`Measure of row ${i + 1}`}
            size="sm"
            width="13rem"
            value={row.key}
            options={lines.map((line): [string, string] => [line.key, nameOf(line)])}
            onChange={(key) => change(i, { key })}
          />
          <Text>{t`from`}</Text>
          <Mark label={t`First mark of row ${i + 1}`} value={row.from} onChange={(from) => change(i, { from })} />
          <Text>{t`to`}</Text>
          <Mark
            label={t`Second mark of row ${i + 1}`}
            value={row.to}
            onChange={(to) => change(i, { to })}
            onEnter={i === rows.length - 1 ? another : undefined}
          />
          <Difference row={row} />
          {problems[i] && (
            <Text color="stop" role="alert" fontSize="sm">
              {problems[i]}
            </Text>
          )}
        </Flex>
      ))}
      <Flex gap="2" mt="3">
        <Button size="sm" variant="outline" borderColor="border.strong" onClick={another}>{t`Another mark`}</Button>
        <Button size="sm" colorPalette="marigold" onClick={() => void keep()}>{t`Keep the readings`}</Button>
        <Button size="sm" variant="ghost" onClick={onClose}>{t`Close`}</Button>
      </Flex>
    </Box>
  );
}

function Mark({
  label,
  value,
  onChange,
  onEnter,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  onEnter?: () => void;
}) {
  return (
    <Input
      size="sm"
      w="5rem"
      aria-label={label}
      autoComplete="off"
      borderColor="border.strong"
      value={value}
      onChange={(e) => onChange(e.target.value)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') onEnter?.();
      }}
    />
  );
}

function Difference({ row }: { row: Row }) {
  const { unit } = useUnit();
  const so = useQuery({
    queryKey: keys.stringMarks(row.from, row.to, unit),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/readings/so-far', { signal, params: { query: { from: row.from, to: row.to, unit, text: '' } } }),
      ),
    enabled: row.to.trim() !== '',
    staleTime: Infinity,
  });
  if (row.to.trim() === '' || !so.data) return null;
  return so.data.millimetres == null ? (
    <Text fontSize="sm" color="fg.muted">
      {so.data.problem}
    </Text>
  ) : (
    <Text fontSize="xl" fontWeight="700">
      {lengthText(so.data.millimetres, unit)}
    </Text>
  );
}

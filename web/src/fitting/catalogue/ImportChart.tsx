import { Box, Button, Flex, Heading, Input, Table, Text, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { Labelled } from '../../shared/fields';
import { api, ask, fieldsOf, type Schemas } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { bytesOf } from '../../shared/bytes';
import { notify } from '../../shared/notices';
import { lengthText, useUnit } from '../../shared/units';
import { chartFieldWords, closureWords, entries, materialWords, typeWords } from '../../shared/words';
import { useEditCatalogue, type Muzzle } from './useCatalogue';

type Column = Schemas['ChartColumn'];

const lengthUnits: [Schemas['ChartUnit'], string][] = [
  ['mm', 'mm'],
  ['cm', 'cm'],
  ['in', 'inches'],
  ['none', 'unit?'],
];
const massUnits: [Schemas['ChartUnit'], string][] = [
  ['g', 'g'],
  ['oz', 'oz'],
  ['kg', 'kg'],
];

/** A size chart from a file: its columns are given a meaning and a unit, every row is shown, then it is taken in whole. */
export function ImportChart({ models, onLeave }: { models: Muzzle[]; onLeave: () => void }) {
  const { unit } = useUnit();
  const { takeIn } = useEditCatalogue();
  const [text, setText] = useState('');
  const [into, setInto] = useState('');
  const [model, setModel] = useState<Schemas['MuzzleEntry']>({
    name: '',
    maker: '',
    type: 'basket',
    material: 'mouldedRubber',
    closure: 'buckle',
    collarLink: false,
    frontBar: false,
  });
  const [opened, setOpened] = useState<Schemas['OpenedChart'] | null>(null);
  const [columns, setColumns] = useState<Column[]>([]);
  const [of, setOf] = useState<string | null>(null);
  const [rows, setRows] = useState<Schemas['ChartRow'][] | null>(null);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const type = models.find((m) => m.model.id === into)?.model.type ?? model.type ?? 'basket';

  const attempt = async (work: () => Promise<void>) => {
    setErrors({});
    try {
      await work();
    } catch (error) {
      setErrors(fieldsOf(error, 'text'));
    }
  };
  const read = async (chart: string, mapping: Column[], one: string | null) => {
    setRows(null);
    setRows(
      await ask(api.POST('/api/catalogue/chart/read', { body: { text: chart, type, columns: mapping, of: one } })),
    );
  };
  const open = (chart: { text: string } | { file: string }) =>
    attempt(async () => {
      setOpened(null);
      setRows(null);
      const found = await ask(api.POST('/api/catalogue/chart/open', { body: { ...chart, type } }));
      const first = found.models[0] ?? null;
      setText(found.text);
      setOpened(found);
      setColumns(found.guess);
      setOf(first);
      if (first && into === '' && !model.name) setModel({ ...model, name: first });
      if (found.guess.some((c) => c.field === 'label') && found.guess.some((c) => c.field === 'length'))
        await read(found.text, found.guess, first);
    });
  const remap = (column: number, change: Partial<Column> | null) => {
    const others = columns.filter((c) => c.column !== column);
    const known = columns.find((c) => c.column === column) ?? { column, field: 'length', unit: 'mm' };
    const next = change === null ? others : [...others, { ...known, ...change }];
    setColumns(next);
    void attempt(() => read(text, next, of));
  };
  const keep = () =>
    attempt(async () => {
      const kept = await takeIn(
        { text, columns, of, ...(into ? { modelId: into } : { model }) },
        models.find((m) => m.model.id === into)?.version ?? 0,
      );
      notify(`${kept.model.name}: ${kept.model.sizes.length} sizes are taken in, version ${kept.version}.`);
      onLeave();
    });
  const bad = rows?.filter((r) => r.size === null).length ?? 0;

  return (
    <Box as="section" aria-label="Take a size chart in" borderLeftWidth="4px" borderColor="accent" ps="4" my="4">
      <Heading as="h2" size="lg">
        A size chart as CSV
      </Heading>
      <Flex gap="3" wrap="wrap" align="start" my="2">
        <Box w="14rem">
          <Labelled label="For">
            <Choice
              size="sm"
              value={into}
              none="a new model"
              options={models.map((m) => [m.model.id, `${m.model.name} (replaces its sizes)`])}
              onChange={setInto}
            />
          </Labelled>
        </Box>
        {into === '' && (
          <>
            <Box w="10rem">
              <Labelled label="Name" {...(errors.name ? { error: errors.name } : {})}>
                <Input
                  size="sm"
                  value={model.name ?? ''}
                  borderColor="border.strong"
                  onChange={(e) => setModel({ ...model, name: e.target.value })}
                />
              </Labelled>
            </Box>
            <Box w="10rem">
              <Labelled label="Maker">
                <Input
                  size="sm"
                  value={model.maker ?? ''}
                  borderColor="border.strong"
                  onChange={(e) => setModel({ ...model, maker: e.target.value })}
                />
              </Labelled>
            </Box>
            <Box w="8rem">
              <Labelled label="Type">
                <Choice
                  size="sm"
                  value={model.type ?? 'basket'}
                  options={entries(typeWords)}
                  onChange={(v) => setModel({ ...model, type: v })}
                />
              </Labelled>
            </Box>
            <Box w="10rem">
              <Labelled label="Material">
                <Choice
                  size="sm"
                  value={model.material ?? 'mouldedRubber'}
                  options={entries(materialWords)}
                  onChange={(v) => setModel({ ...model, material: v })}
                />
              </Labelled>
            </Box>
            <Box w="10rem">
              <Labelled label="Closure">
                <Choice
                  size="sm"
                  value={model.closure ?? 'buckle'}
                  options={entries(closureWords)}
                  onChange={(v) => setModel({ ...model, closure: v })}
                />
              </Labelled>
            </Box>
          </>
        )}
      </Flex>
      <Flex gap="3" wrap="wrap" align="start">
        <Input
          type="file"
          size="sm"
          w="17rem"
          pt="1"
          accept=".csv,text/csv,text/plain"
          aria-label="CSV file with sizes"
          borderColor="border.strong"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void bytesOf(file).then((bytes) => open({ file: bytes }));
            e.target.value = '';
          }}
        />
        <Textarea
          size="sm"
          flex="1 1 20rem"
          rows={2}
          aria-label="or paste the chart"
          placeholder="or paste the chart here"
          value={text}
          borderColor="border.strong"
          onChange={(e) => setText(e.target.value)}
          onBlur={() => text.trim() !== '' && opened === null && void open({ text })}
        />
        <Button size="sm" variant="outline" borderColor="border.strong" onClick={() => void open({ text })}>
          Open it
        </Button>
      </Flex>
      {opened && opened.models.length > 1 && (
        <Flex as="label" gap="2" align="center" mt="3">
          <Text>The file holds {opened.models.length} models. Read</Text>
          <Choice
            size="sm"
            width="14rem"
            label="Model in the file"
            value={of ?? ''}
            options={opened.models.map((m) => [m, m])}
            onChange={(one) => {
              setOf(one);
              if (into === '') setModel({ ...model, name: one });
              void attempt(() => read(text, columns, one));
            }}
          />
        </Flex>
      )}
      {opened && (
        <Box overflowX="auto" mt="3">
          <Text fontWeight="700">What the columns mean</Text>
          <Flex gap="3">
            {opened.headings.map((heading, i) => {
              const column = columns.find((c) => c.column === i);
              const mass = column?.field === 'mass';
              return (
                <Box key={i} minW="10rem">
                  <Text fontSize="sm" fontWeight="700" truncate>
                    {heading}
                  </Text>
                  <Choice
                    size="xs"
                    label={`Meaning of ${heading}`}
                    value={column?.field ?? ''}
                    none="left out"
                    options={entries(chartFieldWords)}
                    onChange={(field) =>
                      remap(
                        i,
                        (field as string) === ''
                          ? null
                          : {
                              field,
                              unit:
                                field === 'mass'
                                  ? 'g'
                                  : field === 'label' || field === 'model' || field === 'price'
                                    ? 'none'
                                    : (column?.unit ?? 'mm') === 'none'
                                      ? 'mm'
                                      : (column?.unit ?? 'mm'),
                            },
                      )
                    }
                  />
                  {column && column.field !== 'label' && column.field !== 'model' && column.field !== 'price' && (
                    <Choice
                      size="xs"
                      label={`Unit of ${heading}`}
                      value={column.unit}
                      options={mass ? massUnits : lengthUnits}
                      onChange={(u) => remap(i, { unit: u })}
                    />
                  )}
                  <Text fontSize="xs" color="fg.muted" truncate>
                    {opened.sample.map((r) => r[i]).join(' · ')}
                  </Text>
                </Box>
              );
            })}
          </Flex>
        </Box>
      )}
      {(errors.text ?? errors.columns) && (
        <Text role="alert" color="stop" fontWeight="700">
          △ {errors.text ?? errors.columns}
        </Text>
      )}
      {rows && <Rows rows={rows} unit={unit} />}
      <Flex gap="3" mt="3" align="center">
        <Button
          size="sm"
          colorPalette="marigold"
          disabled={!rows || rows.length === 0 || bad > 0}
          onClick={() => void keep()}
        >
          Take all {rows?.length ?? ''} sizes in
        </Button>
        <Button size="sm" variant="ghost" onClick={onLeave}>
          Leave it
        </Button>
        {bad > 0 && (
          <Text color="stop">
            {bad === 1 ? 'One row cannot be used' : `${bad} rows cannot be used`}: mend the file or change a column.
            Nothing is taken in by halves.
          </Text>
        )}
      </Flex>
    </Box>
  );
}

function Rows({ rows, unit }: { rows: Schemas['ChartRow'][]; unit: 'mm' | 'cm' | 'in' }) {
  return (
    <Table.Root
      size="sm"
      mt="3"
      maxW="64rem"
      css={{ '& td, & th': { background: 'transparent', borderColor: 'border' } }}
    >
      <Table.Header>
        <Table.Row bg="transparent">
          {['Row', 'Size', 'Length', 'Girth', 'Strap', 'What follows'].map((h) => (
            <Table.ColumnHeader key={h}>{h}</Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {rows.map((r) => (
          <Table.Row key={r.row} bg="transparent">
            <Table.Cell>{r.row}</Table.Cell>
            {r.size ? (
              <>
                <Table.Cell fontWeight="700">{r.size.label}</Table.Cell>
                <Table.Cell>{lengthText(r.size.lengthMm, unit)}</Table.Cell>
                <Table.Cell>{girth(r.size, unit)}</Table.Cell>
                <Table.Cell>
                  {r.size.neckStrapMinMm && r.size.neckStrapMaxMm
                    ? `${lengthText(r.size.neckStrapMinMm, unit, false)}–${lengthText(r.size.neckStrapMaxMm, unit)}`
                    : ''}
                </Table.Cell>
                <Table.Cell>{r.assumed.length > 0 ? `Assumed: ${r.assumed.join('; ')}.` : 'Good.'}</Table.Cell>
              </>
            ) : (
              <Table.Cell colSpan={5} color="stop">
                △ {r.problems.join(' ')}{' '}
                <Text as="span" color="fg.muted" fontSize="sm">
                  {r.raw}
                </Text>
              </Table.Cell>
            )}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}

const girth = (s: Schemas['MuzzleSize'], unit: 'mm' | 'cm' | 'in') =>
  s.openingGirthMm
    ? lengthText(s.openingGirthMm, unit)
    : s.girthMinMm && s.girthMaxMm
      ? `${lengthText(s.girthMinMm, unit, false)}–${lengthText(s.girthMaxMm, unit)}`
      : '';

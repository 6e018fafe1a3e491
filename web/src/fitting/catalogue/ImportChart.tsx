import { Box, Button, Flex, Heading, Input, Table, Text, Textarea } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { plural, t } from '@lingui/core/macro';
import { useEffect, useState } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { api, ask, request, type Schemas } from '../../shared/api';
import { bytesOf } from '../../shared/bytes';
import { Choice } from '../../shared/Choice';
import { ChoiceField, TextField } from '../../shared/form/fields';
import { refuse } from '../../shared/form/refuse';
import { notify } from '../../shared/notices';
import { FormEnd } from '../../shared/saving/FormEnd';
import { useSubmit } from '../../shared/saving/useSubmit';
import { NEW } from '../../shared/saving/drafts';
import { useKeptForm } from '../../shared/saving/useKeptForm';
import { lengthText, useUnit } from '../../shared/units';
import { chartFieldWords, closureWords, entries, materialWords, typeWords } from '../../shared/words';
import { type Muzzle } from './useCatalogue';

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

interface Sheet {
  into: string;
  name: string;
  maker: string;
  type: Schemas['MuzzleType'];
  material: Schemas['Material'];
  closure: Schemas['Closure'];
  text: string;
  of: string | null;
  columns: Column[];
}

const blank: Sheet = {
  into: '',
  name: '',
  maker: '',
  type: 'basket',
  material: 'mouldedRubber',
  closure: 'buckle',
  text: '',
  of: null,
  columns: [],
};

/** A size chart from a file: its columns are given a meaning and a unit, every row is shown, then it is taken in whole. */
export function ImportChart({ models, onLeave }: { models: Muzzle[]; onLeave: () => void }) {
  const { unit } = useUnit();
  const kept = useKeptForm<Sheet>(`chart/${NEW}`, blank);
  const { form } = kept;
  const { errors } = form.formState;
  const [into, of, columns] = useWatch({ control: form.control, name: ['into', 'of', 'columns'] });
  const [opened, setOpened] = useState<Schemas['OpenedChart'] | null>(null);
  const [rows, setRows] = useState<Schemas['ChartRowDto'][] | null>(null);

  const typeOf = ({ into: id, type }: Sheet) => models.find((m) => m.model.id === id)?.model.type ?? type;
  const attempt = async (work: (sheet: Sheet) => Promise<void>) => {
    form.clearErrors();
    try {
      await work(form.getValues());
    } catch (error) {
      refuse(form, error, 'text');
    }
  };
  const read = () =>
    attempt(async (sheet) => {
      setRows(null);
      setRows(
        await ask(
          api.POST('/api/catalogue/chart/read', {
            body: { text: sheet.text, type: typeOf(sheet), columns: sheet.columns, of: sheet.of },
          }),
        ),
      );
    });
  const look = async (chart: { text: string } | { file: string }) => {
    setOpened(null);
    setRows(null);
    const found = await ask(
      api.POST('/api/catalogue/chart/open', { body: { ...chart, type: typeOf(form.getValues()) } }),
    );
    setOpened(found);
    return found;
  };
  const open = (chart: { text: string } | { file: string }) =>
    attempt(async (sheet) => {
      const found = await look(chart);
      const first = found.models[0] ?? null;
      form.setValue('text', found.text);
      form.setValue('columns', found.guess);
      form.setValue('of', first);
      if (first && sheet.into === '' && !sheet.name) form.setValue('name', first);
      if (readable(found.guess)) await read();
    });
  // What was being mapped when the page was left is open again, with the meanings it was given.
  useEffect(() => {
    if (form.getValues('columns').length > 0)
      void attempt(async (sheet) => {
        await look({ text: sheet.text });
        if (readable(sheet.columns)) await read();
      });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it comes up
  }, []);
  const remap = (column: number, change: Partial<Column> | null) => {
    const others = columns.filter((c) => c.column !== column);
    const known = columns.find((c) => c.column === column) ?? { column, field: 'length', unit: 'mm' };
    form.setValue('columns', change === null ? others : [...others, { ...known, ...change }]);
    void read();
  };
  const sending = useSubmit<Sheet, Muzzle>(kept, 'text', (taken) => {
    notify(t`${taken.model.name}: ${taken.model.sizes.length} sizes are taken in, version ${taken.revision}.`);
    onLeave();
  });
  const keep = (version = models.find((m) => m.model.id === form.getValues('into'))?.version ?? 0) => {
    const { text, columns, of, into, ...model } = form.getValues();
    sending.submit({
      ...request(
        'post',
        '/api/catalogue/chart/import',
        {},
        {
          text,
          columns,
          of,
          ...(into ? { modelId: into } : { model: { ...model, collarLink: false, frontBar: false } }),
        },
        version,
      ),
      what: t`a size chart`,
      again: 'everything',
    });
  };
  const bad = rows?.filter((r) => r.size === null).length ?? 0;

  return (
    <FormProvider {...form}>
      <Box
        as="section"
        aria-label={t`Take a size chart in`}
        borderInlineStartWidth="4px"
        borderColor="accent"
        ps="4"
        my="4"
      >
        <Heading as="h2" size="lg">{t`A size chart as CSV`}</Heading>
        <Flex gap="3" wrap="wrap" align="start" my="2">
          <Box w="14rem">
            <ChoiceField
              size="sm"
              name="into"
              label={t`For`}
              none={t`a new model`}
              options={models.map((m) => [m.model.id, t`${m.model.name} (replaces its sizes)`])}
            />
          </Box>
          {into === '' && (
            <>
              <Box w="10rem">
                <TextField size="sm" name="name" label={t`Name`} />
              </Box>
              <Box w="10rem">
                <TextField size="sm" name="maker" label={t`Maker`} />
              </Box>
              <Box w="8rem">
                <ChoiceField size="sm" name="type" label={t`Type`} options={entries(typeWords)} />
              </Box>
              <Box w="10rem">
                <ChoiceField size="sm" name="material" label={t`Material`} options={entries(materialWords)} />
              </Box>
              <Box w="10rem">
                <ChoiceField size="sm" name="closure" label={t`Closure`} options={entries(closureWords)} />
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
            aria-label={t`CSV file with sizes`}
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
            aria-label={t`or paste the chart`}
            placeholder={t`or paste the chart here`}
            borderColor="border.strong"
            {...form.register('text', {
              // What was read is of another text: it is opened anew before anything is taken in.
              onChange: () => {
                setOpened(null);
                setRows(null);
                form.setValue('columns', []);
              },
              onBlur: () => {
                const text = form.getValues('text');
                if (text.trim() !== '' && opened === null) void open({ text });
              },
            })}
          />
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => void open({ text: form.getValues('text') })}
          >{t`Open it`}</Button>
        </Flex>
        {opened && opened.models.length > 1 && (
          <Flex as="label" gap="2" align="center" mt="3">
            <Text>{t`The file holds ${opened.models.length} models. Read`}</Text>
            <Choice
              size="sm"
              width="14rem"
              label={t`Model in the file`}
              value={of ?? ''}
              options={opened.models.map((m) => [m, m])}
              onChange={(one) => {
                form.setValue('of', one);
                if (into === '') form.setValue('name', one);
                void read();
              }}
            />
          </Flex>
        )}
        {opened && (
          <Box overflowX="auto" mt="3">
            <Text fontWeight="700">{t`What the columns mean`}</Text>
            <Flex gap="3">
              {opened.headings.map((heading, i) => {
                const column = columns.find((c) => c.column === i);
                const mass = column?.field === 'mass';
                const aside = opened.aside.find((a) => a.column === i)?.of;
                return (
                  <Box key={i} minW="10rem">
                    <Text fontSize="sm" fontWeight="700" truncate>
                      {heading}
                    </Text>
                    {aside && (
                      <Text fontSize="xs">
                        {aside === 'dog' ? t`△ the dog's, not the muzzle's` : t`△ outside, not inside`}
                      </Text>
                    )}
                    <Choice
                      size="xs"
                      label={t`Meaning of ${heading}`}
                      value={column?.field ?? ''}
                      none={t`left out`}
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
                        label={t`Unit of ${heading}`}
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
            △ {errors.text?.message ?? errors.columns?.message}
          </Text>
        )}
        {rows && <Rows rows={rows} unit={unit} />}
        <FormEnd
          does={t`Take all ${rows?.length ?? ''} sizes in`}
          blocked={!rows || rows.length === 0 || bad > 0}
          kept={kept}
          sending={sending}
          says={({ model, version }) =>
            t`${model.name} was changed by someone else in the meantime: version ${version} is kept.`
          }
          differences={() => []}
          onSave={keep}
          onTakeTheirs={onLeave}
          onLeave={onLeave}
        />
        {bad > 0 && (
          <Text color="stop">{t`${plural(bad, { one: 'One row cannot be used', other: '# rows cannot be used' })}: mend the file or change a column. Nothing is taken in by halves.`}</Text>
        )}
      </Box>
    </FormProvider>
  );
}

const readable = (columns: Column[]) =>
  ['label', 'length'].every((field) => columns.some((column) => column.field === field));

function Rows({ rows, unit }: { rows: Schemas['ChartRowDto'][]; unit: 'mm' | 'cm' | 'in' }) {
  return (
    <Table.Root
      recipe={tableSlotRecipe}
      size="sm"
      mt="3"
      maxW="64rem"
      css={{ '& td, & th': { background: 'transparent', borderColor: 'border' } }}
    >
      <Table.Header>
        <Table.Row bg="transparent">
          {[t`Row`, t`Size`, t`Length`, t`Girth`, t`Strap`, t`What follows`].map((h) => (
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
                <Table.Cell>{r.assumed.length > 0 ? t`Assumed: ${r.assumed.join('; ')}.` : t`Good.`}</Table.Cell>
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

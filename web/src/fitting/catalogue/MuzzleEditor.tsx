import { Box, Button, Checkbox, Flex, Input, Text } from '@chakra-ui/react';
import { dateText } from '../../shared/dates';
import { Labelled } from '../../shared/fields';
import type { Schemas } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { notify } from '../../shared/notices';
import { differences } from '../../shared/saving/differences';
import { FormEnd } from '../../shared/saving/FormEnd';
import { NEW, useKeptDraft } from '../../shared/saving/useKeptDraft';
import { useSubmit } from '../../shared/saving/useSubmit';
import { closureWords, entries, foreheadWords, frontWords, materialWords, typeWords } from '../../shared/words';
import { draftOf, entryOf, muzzleLabels, newDraft, type Draft } from './draft';
import { SizeTable } from './SizeTable';
import { useEditCatalogue, useVersions, type Muzzle } from './useCatalogue';

/** A model with its sizes, drawn as they are typed; keeping it makes a new version. */
export function MuzzleEditor({ muzzle, onLeave }: { muzzle: Muzzle | null; onLeave: () => void }) {
  const { keep } = useEditCatalogue();
  const kept = useKeptDraft<Draft>(
    `muzzle/${muzzle?.model.id ?? NEW}`,
    muzzle ? draftOf(muzzle.model) : newDraft(),
    muzzle?.version,
  );
  const { draft, setDraft } = kept;
  const sending = useSubmit<Muzzle>('name');
  const { submit, fields: errors } = sending;
  const set = <K extends keyof Draft>(key: K, value: Draft[K]) => setDraft({ ...draft, [key]: value });
  const leave = () => {
    kept.drop();
    onLeave();
  };
  const save = (version = kept.version) =>
    submit(async () => {
      const made = await keep(muzzle?.model.id ?? null, entryOf(draft), version);
      notify(`${made.model.name} is kept as version ${made.version}.`);
    }).then((done) => {
      if (done) leave();
    });
  const field = (
    key: 'name' | 'maker' | 'frontBarGapMm' | 'plateMm' | 'formableMm' | 'holePitchMm' | 'leadDays',
    label: string,
    width: string,
  ) => (
    <Box w={width}>
      <Labelled label={label} {...(errors[key] ? { error: errors[key] } : {})}>
        <Input size="sm" value={draft[key]} borderColor="border.strong" onChange={(e) => set(key, e.target.value)} />
      </Labelled>
    </Box>
  );
  const tick = (key: 'collarLink' | 'frontBar', label: string) => (
    <Checkbox.Root checked={draft[key]} onCheckedChange={(e) => set(key, e.checked === true)}>
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="border.strong" />
      <Checkbox.Label>{label}</Checkbox.Label>
    </Checkbox.Root>
  );
  return (
    <Box
      as="section"
      aria-label={`Edit ${muzzle?.model.name ?? 'a new model'}`}
      borderLeftWidth="4px"
      borderColor="accent"
      ps="4"
      my="3"
    >
      <Flex gap="3" wrap="wrap" align="start">
        {field('name', 'Name', '10rem')}
        {field('maker', 'Maker', '10rem')}
        <Pick label="Type" value={draft.type} options={entries(typeWords)} onChange={(v) => set('type', v)} />
        <Pick
          label="Material"
          value={draft.material}
          options={entries(materialWords)}
          onChange={(v) => set('material', v)}
        />
        <Pick
          label="Closure"
          value={draft.closure}
          options={entries(closureWords)}
          onChange={(v) => set('closure', v)}
        />
        <Pick
          label="Forehead strap"
          value={draft.foreheadStrap}
          options={entries(foreheadWords)}
          onChange={(v) => set('foreheadStrap', v)}
        />
        <Pick
          label="Front"
          value={draft.frontOpening}
          options={entries(frontWords)}
          onChange={(v) => set('frontOpening', v)}
        />
      </Flex>
      <Flex gap="3" wrap="wrap" mt="3" align="start">
        {field('frontBarGapMm', 'Gap in front, mm', '8rem')}
        {field('plateMm', 'Plate adds, mm', '8rem')}
        {field('formableMm', 'Forms by ±mm', '8rem')}
        {field('holePitchMm', 'Holes apart, mm', '8rem')}
        {field('leadDays', 'Days to deliver', '8rem')}
        <Flex direction="column" gap="2" pt="6">
          {tick('collarLink', 'Links to the collar')}
          {tick('frontBar', 'Front bar')}
        </Flex>
        <Box flex="1 1 14rem">
          <Labelled label="Note" {...(errors.note ? { error: errors.note } : {})}>
            <Input
              size="sm"
              value={draft.note}
              borderColor="border.strong"
              onChange={(e) => set('note', e.target.value)}
            />
          </Labelled>
        </Box>
      </Flex>
      <Colours draft={draft} error={errors.colours} onChange={(colours) => set('colours', colours)} />
      <SizeTable type={draft.type} sizes={draft.sizes} errors={errors} onChange={(sizes) => set('sizes', sizes)} />
      {errors.sizes && (
        <Text role="alert" color="stop">
          △ {errors.sizes}
        </Text>
      )}
      <FormEnd
        does={muzzle ? 'Keep as a new version' : 'Keep it'}
        kept={kept}
        sending={sending}
        says={({ model, version }) =>
          `${model.name} was changed by someone else in the meantime: version ${version} is kept.`
        }
        differences={(theirs) => differences(muzzleLabels, draft, draftOf(theirs.model))}
        onSave={save}
        onTakeTheirs={({ model, version }) => kept.startWith(draftOf(model), version)}
        onLeave={leave}
      />
      {muzzle?.own && <Versions muzzle={muzzle} />}
    </Box>
  );
}

function Pick<V extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: V;
  options: [V, string][];
  onChange: (v: V) => void;
}) {
  return (
    <Box w="9.5rem">
      <Labelled label={label}>
        <Choice size="sm" value={value} options={options} onChange={onChange} />
      </Labelled>
    </Box>
  );
}

function Colours({
  draft,
  error,
  onChange,
}: {
  draft: Draft;
  error: string | undefined;
  onChange: (c: Schemas['MuzzleColour'][]) => void;
}) {
  const set = (i: number, colour: Partial<Schemas['MuzzleColour']>) =>
    onChange(draft.colours.map((c, at) => (at === i ? { ...c, ...colour } : c)));
  return (
    <Flex gap="3" wrap="wrap" mt="3" align="center">
      <Text fontWeight="700">Colours</Text>
      {draft.colours.map((c, i) => (
        <Flex key={i} gap="1" align="center">
          <input
            type="color"
            aria-label={`Shade of colour ${i + 1}`}
            value={c.hex}
            onChange={(e) => set(i, { hex: e.target.value })}
          />
          <Input
            size="xs"
            w="7rem"
            aria-label={`Name of colour ${i + 1}`}
            value={c.name}
            borderColor="border.strong"
            onChange={(e) => set(i, { name: e.target.value })}
          />
          <Button
            size="xs"
            variant="ghost"
            aria-label={`Take colour ${i + 1} out`}
            onClick={() => onChange(draft.colours.filter((_, at) => at !== i))}
          >
            ✕
          </Button>
        </Flex>
      ))}
      <Button
        size="xs"
        variant="outline"
        borderColor="border.strong"
        onClick={() => onChange([...draft.colours, { name: 'black', hex: '#22262a' }])}
      >
        Add a colour
      </Button>
      {error && <Text color="stop">△ {error}</Text>}
    </Flex>
  );
}

/** What the model was before; any version can be made the newest again. */
function Versions({ muzzle }: { muzzle: Muzzle }) {
  const versions = useVersions(muzzle.model.id);
  const { bringBack } = useEditCatalogue();
  if (!versions.data) return null;
  return (
    <Box mt="3" fontSize="sm">
      <Text fontWeight="700">Versions: fits made with one keep showing it</Text>
      <ul>
        {versions.data.map((v) => (
          <Flex as="li" key={v.version} gap="3" align="center">
            <Text>
              {v.version}: {v.at ? dateText(v.at, 'moment') : 'as shipped'},{' '}
              {v.model ? `${v.model.sizes.length} sizes` : 'put away'}
            </Text>
            {v.model && v.version !== muzzle.version && (
              <Button
                size="2xs"
                variant="outline"
                borderColor="border.strong"
                onClick={() => void bringBack(muzzle.model.id, v.version, muzzle.version)}
              >
                Bring back
              </Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useId, useState } from 'react';
import { api, ask, Refused, words, type Schemas } from '../shared/api';
import { lengthText, useUnit } from '../shared/units';
import type { Line } from './useBench';

interface Props {
  line: Line;
  readings: Schemas['ReadingDto'][];
  measured: Schemas['MeasuredDto'] | undefined;
  /** A cross-check asks for this one to be taken again. */
  doubtful: boolean;
  onFocus: () => void;
  onAdd: (text: string) => Promise<void>;
  onNext: () => void;
  /** Called with the field when its reading was refused after the focus had gone on. */
  onFail: (field: HTMLElement | null) => void;
  onRemove: (reading: Schemas['ReadingDto']) => void;
}

/** What the core makes of the text while it is being typed; nothing yet when the answer is to an earlier text. */
function useSoFar(text: string) {
  const { unit } = useUnit();
  const asked = useDeferredValue(text.trim());
  const query = useQuery({
    queryKey: ['reading-so-far', asked, unit],
    queryFn: () => ask(api.GET('/api/readings/so-far', { params: { query: { text: asked, unit } } })),
    enabled: asked !== '',
    staleTime: Infinity,
  });
  return asked === text.trim() ? query.data : undefined;
}

/** One measure: its mean, the readings it comes from, and the field for the next one. Enter saves and goes on. */
export function ReadingLine({ line, readings, measured, doubtful, onFocus, onAdd, onNext, onFail, onRemove }: Props) {
  const { unit } = useUnit();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const soFar = useSoFar(text);
  const id = useId();
  const name = line.guide.name + (line.side ? `, ${line.side}` : '');

  const save = async () => {
    if (saving) return;
    if (text.trim() !== '' && soFar?.problem) {
      setProblem(soFar.problem);
      return;
    }
    // On to the next field at once: a fast typist does not wait for the server.
    onNext();
    if (text.trim() === '') return;
    setSaving(true);
    try {
      await onAdd(text);
      setText('');
      setProblem(null);
    } catch (error) {
      setProblem(
        error instanceof Refused
          ? (error.fields.text ?? error.message)
          : `${words(error)} It is still here; press Enter to try again.`,
      );
      onFail(document.getElementById(id));
    } finally {
      setSaving(false);
    }
  };

  const mm = soFar?.millimetres;
  const meant = saving ? 'saving…' : text.trim() !== '' && mm ? `= ${mm.toFixed(1).replace(/\.0$/, '')} mm` : '';
  return (
    <Box as="li" py="2" borderBottomWidth="1px" borderColor="border">
      <Flex align="center" gap="3">
        <Box flex="1" minW="0">
          <Text as="label" fontWeight="700" lineHeight="1.2" {...{ htmlFor: id }}>
            {name}
          </Text>
          <Flex wrap="wrap" gap="1" minH="6" align="center">
            {readings.map((reading) => (
              <Button
                key={reading.id}
                size="2xs"
                variant="outline"
                rounded="full"
                fontWeight="400"
                borderColor="border.strong"
                px="2"
                onClick={() => onRemove(reading)}
                aria-label={`Take out ${reading.asTaken}, ${name}`}
              >
                {reading.asTaken} <span aria-hidden="true">×</span>
              </Button>
            ))}
            {readings.length === 0 && (
              <Text fontSize="sm" color="fg.muted">
                {line.guide.optional ? 'optional' : 'not read yet'}
              </Text>
            )}
          </Flex>
        </Box>
        <Box textAlign="end" minW="6.5rem">
          {doubtful && (
            <Text as="span" color="stop" fontSize="sm" fontWeight="700" me="2">
              △ check
            </Text>
          )}
          <Text as="span" fontSize="2xl" fontWeight="700" lineHeight="1.1" whiteSpace="nowrap">
            {measured ? lengthText(measured.meanMm, unit) : '–'}
          </Text>
          {measured && (
            <Text fontSize="xs" color="fg.muted" title="Standard uncertainty of the mean">
              ±{' '}
              {unit === 'mm'
                ? `${measured.standardUncertaintyMm.toFixed(1)} mm`
                : lengthText(measured.standardUncertaintyMm, unit)}
            </Text>
          )}
        </Box>
        <Input
          id={id}
          data-reading={line.guide.measure + (line.side ?? '')}
          value={text}
          readOnly={saving}
          inputMode="text"
          autoComplete="off"
          enterKeyHint="next"
          placeholder={unit}
          w="6.5rem"
          borderColor="border.strong"
          aria-invalid={problem !== null}
          aria-describedby={`${id}says`}
          onFocus={onFocus}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            void save();
          }}
        />
      </Flex>
      <Text
        id={`${id}says`}
        fontSize="sm"
        textAlign="end"
        color={problem ? 'stop' : 'fg.muted'}
        role={problem ? 'alert' : undefined}
      >
        {problem ?? meant}
      </Text>
    </Box>
  );
}

import { Box, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useId, useState } from 'react';
import { Refused, words } from '../shared/api';
import { complain } from '../shared/notices';
import { useReachable } from '../shared/saving/server';
import { useUnit } from '../shared/units';
import { useDraft, type Draft, type Drafts } from './drafts';
import { nameOf, type Line } from './lines';
import { useTyping, type Tool } from './useBench';

export interface Field {
  dogId: string;
  line: Line;
  drafts: Drafts;
  tool: Tool;
  onAdd: (line: Line, draft: Draft) => Promise<void>;
  onNext: (line: Line) => void;
}

/** Where a length is typed as it is read. Enter keeps it and goes on; what is refused stays with its message. */
export function ReadingField({
  dogId,
  line,
  drafts,
  tool,
  onAdd,
  onNext,
  large = false,
  onKept,
}: Field & { large?: boolean; onKept?: () => void }) {
  const { unit } = useUnit();
  const draft = useDraft(drafts, line.key);
  const { text, fromTape } = draft;
  const soFar = useTyping(dogId, drafts, line, tool).reading;
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const reachable = useReachable();
  const id = useId();

  const save = async () => {
    if (text.trim() !== '' && soFar?.problem) {
      setProblem(soFar.problem);
      return;
    }
    // On to the next field at once: a fast typist does not wait for the server. A beginner's one field waits.
    if (!large || text.trim() === '') onNext(line);
    if (text.trim() === '') return;
    setSaving(true);
    // It waits among the readings from now on, not in the field: typed once, kept once.
    drafts.type(line, '');
    setProblem(null);
    try {
      await onAdd(line, draft);
      if (large) onKept?.();
    } catch (error) {
      const says = error instanceof Refused ? (error.fields.text ?? error.message) : words(error);
      // What is refused comes back, unless something else is in the field by now.
      if (drafts.of(line.key).text.trim() !== '') complain(`${text}: ${says}`);
      else {
        drafts.type(line, text, fromTape);
        setProblem(says);
        backTo(document.getElementById(id));
      }
    } finally {
      setSaving(false);
    }
  };

  const mm = soFar?.millimetres;
  const meant =
    saving && text === ''
      ? reachable
        ? t`saving…`
        : ''
      : text.trim() !== '' && mm
        ? `= ${mm.toFixed(1).replace(/\.0$/, '')} mm${fromTape ? t`, from the tape` : ''}`
        : '';
  return (
    <Box w={large ? '12rem' : '7rem'} flexShrink="0">
      <Input
        id={id}
        aria-label={nameOf(line)}
        data-reading={line.key}
        value={text}
        inputMode="text"
        // Where there is a keyboard; a phone's own would cover what is to be read.
        autoFocus={large && window.matchMedia('(pointer: fine)').matches}
        autoComplete="off"
        enterKeyHint="next"
        placeholder={unit}
        size={large ? '2xl' : 'md'}
        borderColor="border.strong"
        aria-invalid={problem !== null}
        aria-describedby={`${id}says`}
        onFocus={() => drafts.take(line)}
        onChange={(e) => {
          drafts.type(line, e.target.value);
          setProblem(null);
        }}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          void save();
        }}
      />
      <Text
        id={`${id}says`}
        fontSize={problem ? 'sm' : 'xs'}
        minH="4"
        lineHeight="1.2"
        color={problem ? 'stop' : 'fg.muted'}
        role={problem ? 'alert' : undefined}
      >
        {problem ?? meant}
      </Text>
    </Box>
  );
}

/** A refused reading is gone back to, unless the next one is being typed already. */
function backTo(field: HTMLElement | null) {
  const now = document.activeElement;
  if (!(now instanceof HTMLInputElement) || now.value === '') field?.focus();
}

import { Box, Checkbox, Flex, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../shared/api';
import { Amount } from '../shared/Amount';
import { Choice } from '../shared/Choice';
import { useThisDog } from '../shared/dog';
import { useDecides } from '../shared/me';
import { Labelled, Several } from '../shared/fields';
import { Conflict } from '../shared/saving/Conflict';
import { differences } from '../shared/saving/differences';
import { useDocument } from '../shared/saving/useDocument';
import { activityWords, entries } from '../shared/words';
import { habitsDocument, type HabitsDraft } from './documents';
import { happyWearsQuery, useHabits } from './useWearing';

/** What is said of a dog's habits, saved as it changes. */
function useHabitsDocument(stored: Schemas['HabitsDto']) {
  const { dog } = useThisDog();
  return useDocument(habitsDocument, dog.id, stored, t`What ${dog.name} loves and eats`);
}

const labels: Partial<Record<keyof HabitsDraft, string>> = {
  loves: t`Loves`,
  hasSpare: t`A spare`,
  veterinarianMinutes: t`The veterinarian allows`,
  veterinarianSays: t`Who said so`,
  neutered: t`Neutered`,
  activity: t`Activity`,
  factor: t`Factor`,
  foodKcal: t`Measured food`,
  treatId: t`Treat`,
  kcalPerPiece: t`Kcal a piece`,
  avoids: t`May not have`,
};

function Settle({ document }: { document: ReturnType<typeof useHabitsDocument> }) {
  return (
    <>
      {document.theirs && (
        <Conflict
          says={t`Someone else changed this while you did. Nothing you typed is lost.`}
          differences={differences(
            labels as Record<string, string>,
            document.value,
            habitsDocument.read(document.theirs),
          )}
          keepMine={document.keepMine}
          takeTheirs={document.takeTheirs}
        />
      )}
      <Text role="status" color="fg.muted" fontSize="sm" mt="1">
        {document.state}
      </Text>
    </>
  );
}

/** Whether a second muzzle is at hand. */
export function Spare({ dogId }: { dogId: string }) {
  const habits = useHabits(dogId);
  return habits.data ? <SpareOf stored={habits.data} /> : null;
}

function SpareOf({ stored }: { stored: Schemas['HabitsDto'] }) {
  const document = useHabitsDocument(stored);
  const { value, change } = document;
  return (
    <Box mt="2">
      <Checkbox.Root
        checked={value.hasSpare === true}
        onCheckedChange={(e) => change({ ...value, hasSpare: e.checked === true })}
      >
        <Checkbox.HiddenInput />
        <Checkbox.Control borderColor="border.strong" />
        <Checkbox.Label>{t`A spare of the same is at hand`}</Checkbox.Label>
      </Checkbox.Root>
      {!value.hasSpare && (
        <Text
          fontSize="sm"
          color="fg.muted"
        >{t`Keep a second of the same, for the day this one breaks or is lost.`}</Text>
      )}
      <Settle document={document} />
    </Box>
  );
}

/** What it loves, what it eats, and what a veterinarian allows. */
export function HabitsForm({ treats, stored }: { treats: Schemas['TreatsDto']; stored: Schemas['HabitsDto'] }) {
  const document = useHabitsDocument(stored);
  const { value, change, tryChange, fields } = document;
  const happy = useQuery(happyWearsQuery);
  const decides = useDecides();
  const set = (next: Partial<HabitsDraft>) => change({ ...value, ...next });
  const amount = (key: 'factor' | 'foodKcal' | 'kcalPerPiece' | 'veterinarianMinutes') => ({
    value: value[key] === null ? '' : String(value[key]),
    onKeep: (number: number | null) => tryChange({ ...value, [key]: number }),
  });
  return (
    <Box>
      <Flex gap="5" wrap="wrap" align="end">
        <Labelled label={t`Its treat`}>
          <Choice
            size="sm"
            width="17rem"
            value={value.treatId ?? ''}
            none={t`Not chosen`}
            options={treats.treats.filter((t) => t.not === null).map((t) => [t.id, t.name])}
            onChange={(id) => set({ treatId: id || null, kcalPerPiece: null })}
          />
        </Labelled>
        <Amount
          label={t`kcal a piece, if known better`}
          placeholder={treats.kcalPerPiece.toFixed(1)}
          {...amount('kcalPerPiece')}
        />
        <Amount label={t`Measured food, kcal a day`} {...amount('foodKcal')} />
        <Amount label={t`Own factor`} {...amount('factor')} />
        <Box w="9rem">
          <Labelled label={t`Neutered`}>
            <Choice
              size="sm"
              value={value.neutered === null ? '' : value.neutered ? 'yes' : 'no'}
              none={t`Not known`}
              options={[
                ['yes', t`Yes`],
                ['no', t`No`],
              ]}
              onChange={(v) => set({ neutered: (v as string) === '' ? null : v === 'yes' })}
            />
          </Labelled>
        </Box>
        <Box w="16rem">
          <Labelled label={t`How much it does`}>
            <Choice
              size="sm"
              value={value.activity ?? ''}
              none={t`Not known`}
              options={entries(activityWords)}
              onChange={(v) => set({ activity: (v as string) === '' ? null : v })}
            />
          </Labelled>
        </Box>
      </Flex>
      <Box mt="4">
        <Several
          legend={t`It may not have`}
          values={value.avoids ?? []}
          options={treats.ingredients.map((i) => [i, treats.ingredientNames[i] ?? i])}
          onChange={(avoids) => set({ avoids })}
        />
      </Box>
      <Box mt="4">
        <Several
          legend={t`It loves, with the muzzle on`}
          values={value.loves ?? []}
          options={(happy.data ?? []).map((h) => [h.id, h.name])}
          onChange={(loves) => set({ loves })}
        />
      </Box>
      {decides && <Veterinarian value={value} fields={fields} change={set} />}
      <Settle document={document} />
    </Box>
  );
}

/** A veterinarian's word about its breathing: how long, and who said so. */
function Veterinarian({
  value,
  fields,
  change,
}: {
  value: HabitsDraft;
  fields: Record<string, string>;
  change: (next: Partial<HabitsDraft>) => void;
}) {
  return (
    <Flex gap="4" mt="4" wrap="wrap" align="end">
      <Labelled
        label={t`The veterinarian lets it wear one for, minutes`}
        {...(fields.veterinarianMinutes ? { error: fields.veterinarianMinutes } : {})}
      >
        <Choice
          size="sm"
          width="10rem"
          value={value.veterinarianMinutes === null ? '' : String(value.veterinarianMinutes)}
          none={t`Nobody asked yet`}
          options={['5', '10', '15', '20', '30', '60', '120'].map((m) => [m, t`${m} minutes`])}
          onChange={(m) => change({ veterinarianMinutes: m === '' ? null : Number(m) })}
        />
      </Labelled>
      <Box flex="1" minW="14rem">
        <Labelled
          label={t`Who said so, and when`}
          {...(fields.veterinarianSays ? { error: fields.veterinarianSays } : {})}
        >
          <Input
            size="sm"
            borderColor="border.strong"
            value={value.veterinarianSays ?? ''}
            onChange={(e) => change({ veterinarianSays: e.target.value })}
          />
        </Labelled>
      </Box>
    </Flex>
  );
}

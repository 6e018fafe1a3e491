import { useMutation, useQuery } from '@tanstack/react-query';
import { useDogChanged } from '../dogs/useDog';
import { api, ask, words, type Schemas } from '../shared/api';
import { complain, notify } from '../shared/notices';
import type { Unit } from '../shared/units';

/** How the catalogue is to be judged; what is null follows from the dog. */
export interface Question {
  uses: Schemas['Purpose'][] | null;
  school: Schemas['School'] | null;
  fingers: number | null;
}

const queryOf = (question: Question, unit: Unit) => ({
  unit,
  uses: question.uses ?? undefined,
  school: question.school ?? undefined,
  fingers: question.fingers ?? undefined,
});

export const useFits = (dogId: string, question: Question, unit: Unit) =>
  useQuery({
    queryKey: ['fits', dogId, question, unit],
    queryFn: () =>
      ask(api.GET('/api/dogs/{id}/fits', { params: { path: { id: dogId }, query: queryOf(question, unit) } })),
    placeholderData: (before) => before,
  });

export const useFit = (dogId: string, sizeId: string | null, question: Question, unit: Unit) =>
  useQuery({
    queryKey: ['fits', dogId, question, unit, sizeId],
    queryFn: () =>
      ask(
        api.GET('/api/dogs/{id}/fits/{sizeId}', {
          params: { path: { id: dogId, sizeId: sizeId ?? '' }, query: queryOf(question, unit) },
        }),
      ),
    enabled: sizeId !== null,
    placeholderData: (before) => before,
  });

export function useChoose(dogId: string) {
  const changed = useDogChanged();
  const withdraw = async (choiceId: string) => {
    try {
      await ask(api.POST('/api/dogs/{id}/choice/{choiceId}/withdraw', { params: { path: { id: dogId, choiceId } } }));
      await changed(dogId);
    } catch (error) {
      complain(words(error));
    }
  };
  return useMutation({
    mutationFn: (entry: Schemas['ChoiceEntry']) =>
      ask(api.POST('/api/dogs/{id}/choice', { params: { path: { id: dogId } }, body: entry })),
    onSuccess: async (choice) => {
      await changed(dogId);
      notify(
        `${choice.kept.model} ${choice.kept.size.label} is kept with its reasons.`,
        () => void withdraw(choice.id),
      );
    },
  });
}

import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

/** Who works with the practice. */
export const usePeople = () =>
  useQuery({ queryKey: keys.people(), queryFn: ({ signal }) => ask(api.GET('/api/people', { signal })) });

/** Every device that may come in, or could. */
export const usePhones = (refetchInterval: number | false = false) =>
  useQuery({
    queryKey: keys.phones(),
    queryFn: ({ signal }) => ask(api.GET('/api/phones', { signal })),
    refetchInterval,
  });

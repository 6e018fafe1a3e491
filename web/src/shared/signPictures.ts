import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, ask } from './api';
import { keys } from './keys';

declare module './keys' {
  interface DogKeys {
    'sign-pictures': true;
  }
}

/** A dog as it shows each sign; it changes with the dog only. */
export const signPicturesQuery = (dogId: string) =>
  queryOptions({
    queryKey: keys.ofDog(dogId, 'sign-pictures'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/signs', { signal, params: { path: { id: dogId } } })),
    staleTime: Infinity,
  });

/** The picture of a sign of this dog, once there is one. */
export function useSignPictures(dogId: string) {
  const pictures = useQuery(signPicturesQuery(dogId)).data;
  return (signId: string) => pictures?.find((p) => p.signId === signId)?.picture;
}

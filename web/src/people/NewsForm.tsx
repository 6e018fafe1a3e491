import { Button, Flex, Text, Textarea } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, sendPicture, words } from '../shared/api';
import { newId } from '../shared/ids';
import { keys } from '../shared/keys';
import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';
import { draftAt, NEW } from '../shared/saving/drafts';

/** As many as the server keeps of one note. */
const MOST_PICTURES = 3;

/** A note to the other side, with pictures; what is typed stays on this device until it is sent. */
export function NewsForm({
  dogId,
  about,
  answerTo = null,
  onSent,
}: {
  dogId: string;
  about: string | null;
  answerTo?: string | null;
  onSent: () => void;
}) {
  const place = draftAt(`news/${dogId}/${answerTo ?? NEW}`);
  const [text, setText] = useState(() => fromDevice<string>(place) ?? '');
  const [pictures, setPictures] = useState<File[]>([]);
  const [id, setId] = useState(newId);
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: async () => {
      await ask(
        api.PUT('/api/dogs/{id}/news/{noteId}', {
          params: { path: { id: dogId, noteId: id } },
          body: { text, about, answerTo },
        }),
      );
      for (const picture of pictures) await sendPicture(`/api/dogs/${dogId}/news/${id}/pictures`, picture, newId());
    },
    onSuccess: async () => {
      dropFromDevice(place);
      setText('');
      setPictures([]);
      setId(newId());
      await queries.invalidateQueries({ queryKey: keys.ofDog(dogId, 'news') });
      onSent();
    },
  });
  return (
    <form onSubmit={(event) => (event.preventDefault(), send.mutate())}>
      <Textarea
        aria-label={answerTo ? t`Your answer` : t`Your note`}
        rows={4}
        fontSize="lg"
        borderColor="border.strong"
        maxLength={2000}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          keepOnDevice(place, e.target.value);
        }}
      />
      {send.error && (
        <Text role="alert" color="stop">
          {words(send.error)}
        </Text>
      )}
      <Flex gap="3" mt="2" wrap="wrap" align="center">
        <Button type="submit" size="lg" colorPalette="marigold" loading={send.isPending} disabled={text.trim() === ''}>
          {t`Send`}
        </Button>
        <Button asChild size="lg" variant="outline" borderColor="border.strong">
          <label>
            {pictures.length === 0
              ? t`Add pictures`
              : plural(pictures.length, { one: '# picture', other: '# pictures' })}
            <input
              type="file"
              accept="image/jpeg,image/png,image/webp"
              multiple
              hidden
              onChange={(e) => setPictures([...(e.target.files ?? [])].slice(0, MOST_PICTURES))}
            />
          </label>
        </Button>
      </Flex>
    </form>
  );
}

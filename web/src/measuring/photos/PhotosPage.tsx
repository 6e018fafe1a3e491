import { Box, Button, Flex, Heading, Input, Link, List, Text } from '@chakra-ui/react';
import { listSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import { useThisDog } from '../../shared/dog';
import { Refused, words } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { Waiting } from '../../shared/Waiting';
import { entries, sideWords, viewWords } from '../../shared/words';
import { cornersOf, usePhotos, type Photo } from './usePhoto';

/** A dog's pictures, how to take one, and the way to add one. */
export function PhotosPage() {
  const card = useThisDog();
  const dogId = card.dog.id;
  const { list, add, remove } = usePhotos(dogId);
  const go = useNavigate();
  const [view, setView] = useState<Photo['view']>('side');
  const [side, setSide] = useState<Photo['side']>('left');
  const [problem, setProblem] = useState<string | null>(null);
  if (!list.data) return <Waiting query={list} />;

  const send = async (file: Blob, as: Photo['view']) => {
    setProblem(null);
    try {
      const photo = await add.mutateAsync({ file, view: as, side });
      await go(`/dogs/${dogId}/measure/photos/${photo.id}`);
    } catch (error) {
      setProblem(error instanceof Refused ? (error.fields.file ?? error.message) : words(error));
    }
  };
  const tryDrawn = async (as: Photo['view']) => send(await (await fetch(`/api/demo-pictures/${as}`)).blob(), as);

  return (
    <Flex direction={{ base: 'column', lg: 'row' }} gap="10" align="start">
      <Box flex="1">
        <Heading as="h2" size="xl">{t`Measure ${card.dog.name} from a picture`}</Heading>
        <List.Root recipe={listSlotRecipe} ps="5" mt="2">
          <List.Item>{t`Hold a card, a sheet of paper or a ruler in front of the nose or under the chin, in line with the middle of the head, flat and square to the camera. Not beside the snout: there it lies nearer than the head, which then seems smaller.`}</List.Item>
          <List.Item>{t`From the side: camera level with the nose, the whole head in sight, from two steps away. From above: the card level with the lips.`}</List.Item>
          <List.Item>{t`Mouth closed, head straight. A helper with a treat does more than a firm hand.`}</List.Item>
        </List.Root>
        <Flex gap="2" mt="4" align="end" wrap="wrap">
          <Choice
            label={t`Taken from`}
            size="sm"
            width="10rem"
            value={view}
            options={entries(viewWords)}
            onChange={setView}
          />
          {view === 'side' && (
            <Choice
              label={t`Side of the dog`}
              size="sm"
              width="10rem"
              value={side}
              options={entries(sideWords)}
              onChange={setSide}
            />
          )}
          <Input
            type="file"
            size="sm"
            w="17rem"
            pt="1"
            accept="image/jpeg,image/png,image/webp"
            aria-label={t`Picture: JPEG, PNG or WebP up to 20 MB`}
            borderColor="border.strong"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void send(file, view);
              e.target.value = '';
            }}
          />
        </Flex>
        <Text
          fontSize="sm"
          color="fg.muted"
          mt="1"
        >{t`JPEG, PNG or WebP up to 20 MB. Place and time the camera wrote into it are not kept.`}</Text>
        {add.isPending && <Text role="status">{t`Taking the picture in…`}</Text>}
        {problem && (
          <Text role="alert" color="stop" fontWeight="700">
            △ {problem}
          </Text>
        )}
        <Text mt="4">{t`No picture at hand? Try with one drawn from a head of known size:`}</Text>
        <Flex wrap="wrap" gap="2" mt="1">
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => void tryDrawn('side')}
          >{t`Drawn from the side`}</Button>
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => void tryDrawn('top')}
          >{t`Drawn from above`}</Button>
        </Flex>
      </Box>
      <Box flex="1">
        <Heading as="h2" size="xl">{t`Pictures`}</Heading>
        {list.data.length === 0 && <Text>{t`None yet.`}</Text>}
        <Flex as="ul" wrap="wrap" gap="4" mt="2">
          {list.data.map((photo) => (
            <Box as="li" key={photo.id} w="15rem" listStyleType="none">
              <Link asChild color="fg" display="block">
                <RouterLink to={`/dogs/${dogId}/measure/photos/${photo.id}`}>
                  <img
                    src={`/api/dogs/${dogId}/photos/${photo.id}/picture`}
                    alt={`${card.dog.name} ${photo.view === 'top' ? t`from above` : t`from the side`}`}
                    width="240"
                  />
                  {viewWords[photo.view]}
                  {photo.view === 'side' ? `, ${sideWords[photo.side]}` : ''}: {said(photo)}
                </RouterLink>
              </Link>
              <Button size="xs" variant="ghost" onClick={() => void remove(photo.id)}>{t`Take out`}</Button>
            </Box>
          ))}
        </Flex>
      </Box>
    </Flex>
  );
}

const said = (photo: Photo) =>
  photo.refusal
    ? t`△ cannot be measured`
    : photo.measures.length > 0
      ? t`${photo.measures.length} measures`
      : photo.corners.length < cornersOf(photo.kind)
        ? t`reference not placed`
        : t`landmarks not placed`;

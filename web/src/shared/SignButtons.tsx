import { Button, Grid } from '@chakra-ui/react';
import type { Schemas } from './api';
import { Head } from './Head';
import { useSignPictures } from './signPictures';

/** Signs to tap, each with this dog showing it: two beside each other on a phone. */
export function SignButtons({
  dogId,
  signs,
  seen,
  onTap,
}: {
  dogId: string;
  /** Grave is what ends everything at once. */
  signs: { id: string; name: string; grave: boolean }[];
  seen: { signId: string }[];
  onTap: (signId: string) => void;
}) {
  const picture = useSignPictures(dogId);
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(9.75rem, 1fr))" gap="1.5" mt="1">
      {signs.map(({ id, name, grave }) => (
        <SignButton
          key={id}
          name={name}
          picture={picture(id)}
          times={seen.filter((x) => x.signId === id).length}
          grave={grave}
          onTap={() => onTap(id)}
        />
      ))}
    </Grid>
  );
}

function SignButton({
  name,
  picture,
  times,
  grave,
  onTap,
}: {
  name: string;
  picture: Schemas['HeadPortrait'] | undefined;
  times: number;
  grave: boolean;
  onTap: () => void;
}) {
  return (
    <Button
      minH="14"
      h="auto"
      px="1.5"
      py="1"
      gap="2"
      justifyContent="start"
      textAlign="start"
      whiteSpace="normal"
      lineHeight="1.15"
      fontSize="sm"
      fontWeight={times > 0 ? '700' : '400'}
      variant="outline"
      colorPalette={grave ? 'brick' : 'spruce'}
      borderColor={grave ? 'stop' : times > 0 ? 'fg' : 'border.strong'}
      borderWidth={times > 0 ? '2px' : '1px'}
      bg={times > 0 ? 'colorPalette.subtle' : undefined}
      // A button would make it as small as an icon.
      css={{ '& svg': { width: '60px', height: '46px' } }}
      onClick={onTap}
    >
      {picture && <Head portrait={picture} size={60} height={46} />}
      <span>
        {name}
        {times > 1 ? ` ×${times}` : ''}
      </span>
    </Button>
  );
}

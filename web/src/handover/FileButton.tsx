import { Button } from '@chakra-ui/react';
import { useRef } from 'react';

/** Chooses a file of this device. */
export function FileButton({
  does,
  name,
  busy,
  accept,
  onPick,
}: {
  does: string;
  name: string;
  /** What is being done with the one chosen; null while nothing is. */
  busy: string | null;
  accept?: string;
  onPick: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        size="sm"
        variant="outline"
        borderColor="border.strong"
        loading={busy !== null}
        loadingText={busy}
        onClick={() => input.current?.click()}
      >
        {does}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={name}
        onChange={(event) => {
          const picked = event.target.files?.[0];
          event.target.value = '';
          if (picked) onPick(picked);
        }}
      />
    </>
  );
}

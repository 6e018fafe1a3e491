import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link as RouterLink } from 'react-router';
import { Waiting } from '../shared/Waiting';
import { PracticeForm } from './OwnPractice';
import { PutBack } from './PutBack';
import { useBackups, useOwnPractice } from './useHandover';

/** The first page of a practice of one's own: its name, and what to begin with. */
export function Beginning() {
  const own = useOwnPractice();
  const backups = useBackups();
  if (!own.data) return <Waiting query={own} />;
  const named = own.data.name !== null;
  return (
    <Flex direction="column" gap="8" maxW="52rem">
      {named ? (
        <Text fontSize="lg">{t`${own.data.name ?? ''} has no dog on the round yet. A name is enough to begin measuring.`}</Text>
      ) : (
        <Box as="section" aria-label={t`A practice of your own`}>
          <Heading as="h2" size="2xl">{t`A practice of your own`}</Heading>
          <Text mb="4">{t`It is empty. Nothing leaves this machine. Say what it is called, and begin.`}</Text>
          <PracticeForm stored={own.data} does={t`Begin`} />
        </Box>
      )}
      <Box as="section" aria-label={t`To begin with`}>
        <Heading as="h2" size="xl">{t`To begin with`}</Heading>
        <ul>
          <Offer to="/dogs/new" name={t`The first dog`} says={t`measure it, and the rest follows`} main={named} />
          <Offer
            to="/catalogue"
            name={t`A size chart`}
            says={t`the muzzles you work with; those that came along are invented`}
          />
          <Offer to="/breeds" name={t`Breeds`} says={t`as you know them`} />
        </ul>
        <Text mt="3">
          <Trans>
            To look round first, start the demo beside it: <code>bin/demo --port 5081</code>. It has a folder of its own
            and never touches this practice.
          </Trans>
        </Text>
      </Box>
      {backups.data && <PutBack state={backups.data} first />}
    </Flex>
  );
}

function Offer({ to, name, says, main = false }: { to: string; name: string; says: string; main?: boolean }) {
  return (
    <Flex as="li" gap="4" py="2" borderTopWidth="1px" borderColor="border" align="center" wrap="wrap">
      <Button
        asChild
        size="sm"
        w="10rem"
        {...(main ? { colorPalette: 'marigold' } : { variant: 'outline', borderColor: 'border.strong' })}
      >
        <RouterLink to={to}>{name}</RouterLink>
      </Button>
      <Text color="fg.muted">{says}</Text>
    </Flex>
  );
}

import { Flex, Link } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { NavLink } from 'react-router';

const parts = [
  { path: '', label: t`Now` },
  { path: '/log', label: t`Log and balance` },
  { path: '/treats', label: t`Treats` },
  { path: '/muzzle', label: t`Muzzle` },
  { path: '/visits', label: t`Visits` },
] as const;

/** The parts of the wearing room. */
export function WearRooms({ dogId }: { dogId: string }) {
  return (
    <Flex as="nav" aria-label={t`Wearing`} gap={{ base: 3, md: 5 }} mb="5" wrap="wrap">
      {parts.map((part) => (
        <Link
          key={part.path}
          asChild
          color="fg"
          py="1"
          css={{ '&[aria-current=page]': { boxShadow: '0 2px 0 var(--chakra-colors-accent)', fontWeight: 700 } }}
        >
          <NavLink to={`/dogs/${dogId}/wear${part.path}`} end>
            {part.label}
          </NavLink>
        </Link>
      ))}
    </Flex>
  );
}

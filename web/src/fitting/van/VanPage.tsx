import { Box, Button, Flex, Heading, Link, NumberInput, Text } from '@chakra-ui/react';
import { numberInputSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { Slide } from '../../shared/Slide';
import { Conflict } from '../../shared/saving/Conflict';
import { useDocument } from '../../shared/saving/useDocument';
import { usePageTitle } from '../../shared/usePageTitle';
import { priceText } from '../../shared/writing';
import { Waiting } from '../../shared/Waiting';
import { useCatalogue } from '../catalogue/useCatalogue';
import { Expected } from './Expected';
import { vanDocument } from './document';
import { useEditVan, useVan } from './useVan';

type Plan = Schemas['VanPlanDto'];
const MOST = 20;

/** Which sizes to carry so that the most dogs get a fit today, what each adds, and what is in the van now. */
export function VanPage() {
  usePageTitle(t`Van`);
  const [sizes, setSizes] = useState(6);
  const [asked, setAsked] = useState(6);
  const van = useVan(asked);
  if (!van.data) return <Waiting query={van} />;
  const plan = van.data;
  return (
    <Box>
      <Heading as="h1" size="3xl">{t`Van`}</Heading>
      <Text>{t`From the dogs on the round and those you expect: which sizes to carry.`}</Text>
      <Flex gap="12" mt="5" wrap="wrap" align="start">
        <Box flex="1 1 30rem" minW="0">
          <Slide
            label={t`Sizes to carry`}
            width="min(30rem, 100%)"
            min={1}
            max={MOST}
            value={sizes}
            onChange={setSizes}
            onEnd={setAsked}
          />
          <Text mt="3" fontFamily="heading" fontSize="3xl" fontWeight="750" role="status">
            <Trans>
              {plan.covered} of {plan.dogs} dogs
              <Text as="span" fontSize="md" fontWeight="400" fontFamily="body" color="fg.muted">
                {' '}
                get a fit today
                {plan.isExact ? t`; no other choice covers more` : t`; a good choice, at most ${plan.atMost} could be`}
              </Text>
            </Trans>
          </Text>
          <Steps plan={plan} />
          <Curve curve={plan.curve} dogs={plan.dogs} at={asked} />
          <Dogs plan={plan} />
        </Box>
        <Box flex="1 1 22rem" minW="0">
          <Carried plan={plan} />
          <Expected expected={plan.expected} />
        </Box>
      </Flex>
    </Box>
  );
}

function Steps({ plan }: { plan: Plan }) {
  const { putIn } = useEditVan();
  return (
    <Box as="ol" mt="3" aria-label={t`Sizes to carry`}>
      {plan.steps.map((s) => {
        const carried = plan.carried.find((c) => c.sizeId === s.sizeId)?.count ?? 0;
        return (
          <Flex
            as="li"
            key={s.sizeId}
            wrap="wrap"
            columnGap="4"
            rowGap="1"
            py="2"
            borderTopWidth="1px"
            borderColor="border"
            align="baseline"
          >
            <Text fontSize="xl" fontWeight="700" w="3rem">
              +{s.adds}
            </Text>
            <Box flex="1 1 9rem" minW="0">
              <Text fontWeight="700">
                {s.muzzle}
                {s.price !== null && (
                  <Text as="span" fontWeight="400" color="fg.muted">
                    {' '}
                    · {priceText(s.price)}
                  </Text>
                )}
              </Text>
              <Text fontSize="sm" color="fg.muted">{t`fits ${s.dogs.join(', ')}`}</Text>
            </Box>
            {carried > 0 ? (
              <Text fontSize="sm">{t`${carried} in the van`}</Text>
            ) : (
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                onClick={() => putIn(s.sizeId, s.muzzle)}
              >{t`Put one in`}</Button>
            )}
          </Flex>
        );
      })}
    </Box>
  );
}

/** Dogs covered by the best choice of one, two, three … sizes. */
function Curve({ curve, dogs, at }: { curve: number[]; dogs: number; at: number }) {
  if (curve.length === 0) return null;
  return (
    <Box mt="4">
      <Text fontSize="sm" color="fg.muted">{t`What each further size adds`}</Text>
      <Flex
        gap="1.5"
        align="end"
        h="6.5rem"
        role="img"
        aria-label={t`Dogs covered by 1 to ${curve.length} sizes: ${curve.join(', ')}`}
      >
        {curve.map((covered, i) => (
          <Box key={i} textAlign="center" fontSize="sm">
            <Text fontWeight="700">{covered}</Text>
            <Box
              w="1.6rem"
              h={`${(covered / Math.max(1, dogs)) * 4}rem`}
              bg={i + 1 === at ? 'accent' : 'border.strong'}
            />
            <Text>{i + 1}</Text>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}

function Dogs({ plan }: { plan: Plan }) {
  const without = plan.plannedFor.filter((d) => d.from === null);
  return (
    <Box mt="4" fontSize="sm">
      {without.length > 0 && (
        <Text>
          <b>{t`Without a fit in this plan:`}</b>{' '}
          {without.map((d, i) => (
            <span key={d.id}>
              {i > 0 && ', '}
              {d.expected ? d.name : <Dog id={d.id} name={d.name} />}
              {d.fitsToday === 0 ? t` (nothing in the catalogue)` : ''}
            </span>
          ))}
        </Text>
      )}
      {plan.notMeasured.length > 0 && <Text>{t`Not measured, so left out: ${plan.notMeasured.join(', ')}.`}</Text>}
    </Box>
  );
}

const Dog = ({ id, name }: { id: string; name: string }) => (
  <Link asChild color="fg" textDecoration="underline">
    <RouterLink to={`/dogs/${id}/fit`}>{name}</RouterLink>
  </Link>
);

function Carried({ plan }: { plan: Plan }) {
  const { putIn } = useEditVan();
  const catalogue = useCatalogue();
  const [add, setAdd] = useState('');
  const carried = new Set(plan.carried.map((c) => c.sizeId));
  const options = (catalogue.data ?? []).flatMap((m) =>
    m.model.sizes.filter((s) => !carried.has(s.id)).map((s): [string, string] => [s.id, `${m.model.name} ${s.label}`]),
  );
  return (
    <Box as="section" aria-label={t`In the van now`}>
      <Heading as="h2" size="lg">{t`In the van now`}</Heading>
      <Text>
        {plan.carried.length === 0 ? t`Nothing.` : t`${plan.coveredNow} of ${plan.dogs} dogs find one that fits.`}
      </Text>
      <ul>
        {plan.carried.map((c) => (
          <Flex
            as="li"
            key={c.sizeId}
            wrap="wrap"
            columnGap="3"
            rowGap="1"
            py="1.5"
            borderTopWidth="1px"
            borderColor="border"
            align="center"
          >
            <Text flex="1 1 9rem">
              <b>{c.muzzle}</b> <Text as="span" color="fg.muted" fontSize="sm">{t`fits ${c.fitsDogs}`}</Text>
            </Text>
            <Count size={c} />
          </Flex>
        ))}
      </ul>
      <Flex gap="2" mt="2" wrap="wrap">
        <Choice
          size="sm"
          width="13rem"
          label={t`Another size`}
          value={add}
          none={t`another size`}
          options={options}
          onChange={setAdd}
        />
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          disabled={add === ''}
          onClick={() => {
            putIn(add, options.find(([id]) => id === add)?.[1] ?? t`the van`);
            setAdd('');
          }}
        >{t`Put one in`}</Button>
      </Flex>
    </Box>
  );
}

/** How many of a size there are: what is typed stays as typed while it is being saved. */
function Count({ size }: { size: Schemas['VanSizeDto'] }) {
  const { value, change, fields, theirs, keepMine, takeTheirs } = useDocument(
    vanDocument,
    size.sizeId,
    size,
    size.muzzle,
  );
  const [text, setText] = useState<string | null>(null);
  return (
    <Box>
      <NumberInput.Root
        recipe={numberInputSlotRecipe}
        translations={{ incrementLabel: t`one more`, decrementLabel: t`one less` }}
        size="sm"
        w="5.5rem"
        min={0}
        max={99}
        value={text ?? String(value)}
        onValueChange={(e) => {
          setText(e.value);
          if (Number.isInteger(e.valueAsNumber) && e.valueAsNumber >= 0 && e.valueAsNumber <= 99)
            change(e.valueAsNumber);
        }}
      >
        <NumberInput.Control />
        <NumberInput.Input
          aria-label={t`How many ${size.muzzle}`}
          borderColor="border.strong"
          onBlur={() => setText(null)}
        />
      </NumberInput.Root>
      {fields.count && <Text color="stop">{fields.count}</Text>}
      {theirs && (
        <Conflict
          says={t`Someone else counted in the meantime.`}
          differences={[{ label: t`Count`, mine: String(value), theirs: String(theirs.count) }]}
          keepMine={keepMine}
          takeTheirs={() => {
            setText(null);
            takeTheirs();
          }}
        />
      )}
    </Box>
  );
}

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { dateText } from '../shared/dates';
import { useThisDog } from '../shared/dog';
import { lengthText, useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { verdictWords } from '../shared/words';
import { chanceText } from './chance';
import { StillView } from './FitView';
import { strapText } from './strap';
import { useChoices } from './useFits';

/** Every muzzle chosen for the dog, drawn and reasoned as it was on that day. */
export function EarlierPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const choices = useChoices(card.dog.id);
  if (!choices.data) return <Waiting query={choices} />;
  if (choices.data.length === 0) return <Text fontSize="lg">{t`No muzzle was chosen yet.`}</Text>;
  return (
    <Flex direction="column" gap="8">
      <Text>{t`Each as it was on its day: later readings, rules and catalogues do not change it.`}</Text>
      {choices.data.map(({ id, chosenAt, withdrawnAt, kept, drawing }) => (
        <Flex
          key={id}
          as="section"
          aria-label={`${kept.model} ${kept.size.label}`}
          gap="8"
          wrap="wrap"
          borderTopWidth="2px"
          borderColor="fg"
          pt="3"
        >
          <Box flex="1 1 20rem">
            <Heading as="h2" size="xl">
              {kept.model} {kept.size.label}
              {withdrawnAt && <Text as="span" fontSize="md" fontWeight="400">{t` withdrawn`}</Text>}
            </Heading>
            {kept.unreadable && (
              <Text color="stop">{t`This record cannot be read. Nothing is decided by it: choose a muzzle anew.`}</Text>
            )}
            <Text color="fg.muted" hidden={kept.unreadable}>
              {dateText(chosenAt, 'day')} · {kept.maker} · {verdictWords[kept.verdict].toLowerCase()}
              {kept.chance != null && `, ${chanceText(kept.chance)}`}
              {kept.strap && ` · ${strapText(kept.strap, unit)}`}
            </Text>
            {kept.note && (
              <Text>
                <b>{t`Note: ${kept.note}`}</b>
              </Text>
            )}
            <Box as="ul" fontSize="sm" mt="1" ps="5" listStyleType="disc">
              {kept.criteria.map((c) => (
                <li key={c.name + c.reason}>{c.reason}</li>
              ))}
            </Box>
            {kept.brief?.some((l) => l.overruled) && (
              <Text fontSize="sm" mt="1">{t`Overruled: ${kept.brief
                .filter((l) => l.overruled)
                .map((l) => `${l.says} (${l.overruled})`)
                .join('; ')}`}</Text>
            )}
            <Text
              fontSize="sm"
              mt="1"
              hidden={kept.unreadable}
            >{t`Inner length ${lengthText(kept.size.lengthMm, unit)}${kept.size.depthFrontMm ? t`, depth ${lengthText(kept.size.depthFrontMm, unit)} in front` : ''}${kept.size.openingGirthMm ? t`, girth ${lengthText(kept.size.openingGirthMm, unit)}` : ''}.`}</Text>
          </Box>
          <Box flex="1 1 24rem">
            {drawing ? (
              <StillView label={t`${kept.model} ${kept.size.label} as it was`} drawing={drawing} />
            ) : (
              <Text color="fg.muted">{t`Its drawing was not kept.`}</Text>
            )}
          </Box>
        </Flex>
      ))}
    </Flex>
  );
}

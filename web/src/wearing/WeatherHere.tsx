import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { useParams } from 'react-router';
import { request, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { TextField } from '../shared/form/fields';
import { keys } from '../shared/keys';
import { useAtHome } from '../shared/me';
import { readNumber } from '../shared/numbers';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { useWeather, type Limit } from './useWearing';

/** The weather it is judged by, and a reading by hand. */
export function WeatherHere({
  limit,
  place,
  onPlace,
}: {
  /** What it is judged by; null while that is not known. */
  limit: Limit | null;
  place: string | null;
  onPlace: (p: string | null) => void;
}) {
  const weather = useWeather();
  const [typing, setTyping] = useState(false);
  const read = limit?.weather;
  const places = (weather.data?.latest ?? []).map((r) => r.place).filter((p): p is string => p !== null);
  return (
    <Box as="section" aria-label={t`Weather`} mt="7">
      <Heading as="h2" size="lg">{t`How warm it is`}</Heading>
      {read ? (
        <Text>
          <Trans>
            <b>
              {read.airC.toFixed(1)} °C, {Math.round(read.humidityPercent)} %
            </b>{' '}
            at {dateText(read.at, 'time')}
            {read.place && `, ${read.place}`}, {read.byHand ? t`read by hand` : t`from the simulated station`}
            {read.stale && <b>{t` △ stale`}</b>}
          </Trans>
        </Text>
      ) : null}
      <Text>{limit?.heatSays}</Text>
      {weather.data?.simulated && !weather.data.connected && (
        <Text>
          <Trans>
            <b>△ The simulated station is silent.</b> It is tried again by itself; a reading by hand counts the same.
          </Trans>
        </Text>
      )}
      <Flex gap="3" mt="2" wrap="wrap" align="end">
        {places.length > 1 && (
          <Choice
            size="sm"
            width="14rem"
            label={t`Where`}
            value={place ?? ''}
            none={t`The newest reading`}
            options={places.map((p) => [p, p])}
            onChange={(p) => onPlace(p === '' ? null : p)}
          />
        )}
        {!typing && (
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => setTyping(true)}
          >{t`Read it by hand`}</Button>
        )}
      </Flex>
      {typing && (
        <ByHand
          onLeave={() => setTyping(false)}
          onKept={(kept) => {
            setTyping(false);
            onPlace(kept.place);
          }}
        />
      )}
    </Box>
  );
}

/** A reading as it is typed. */
interface WeatherSheet {
  airC: string;
  humidityPercent: string;
  place: string;
}

/** A reading of the weather by hand. */
function ByHand({ onKept, onLeave }: { onKept: (kept: Schemas['WeatherReadDto']) => void; onLeave: () => void }) {
  const atHome = useAtHome();
  const { dogId = null } = useParams();
  const kept = useKeptForm('weather/new', { airC: '', humidityPercent: '', place: '' });
  const { form } = kept;
  const sending = useSubmit<WeatherSheet, Schemas['WeatherReadDto']>(kept, 'airC', onKept);
  const send = () => {
    const { airC, humidityPercent, place } = form.getValues();
    const number = (text: string) => {
      const read = readNumber(text);
      return Number.isFinite(read) ? read : null;
    };
    sending.submit({
      ...request(
        'post',
        '/api/weather/readings',
        {},
        {
          airC: number(airC),
          humidityPercent: number(humidityPercent),
          place: place || null,
          // At home it is the weather of this dog's home, and of nowhere else.
          dogId: atHome ? dogId : null,
        },
      ),
      what: t`a reading of the weather`,
      again: [keys.weather(), keys.dogs()],
    });
  };
  return (
    <FormProvider {...form}>
      <Flex
        as="form"
        gap="3"
        mt="3"
        wrap="wrap"
        align="start"
        onSubmit={(event) => {
          event.preventDefault();
          send();
        }}
      >
        <Box w="6rem">
          <TextField size="sm" name="airC" label={t`Air, °C`} inputMode="decimal" />
        </Box>
        <Box w="7rem">
          <TextField size="sm" name="humidityPercent" label={t`Humidity, %`} inputMode="decimal" />
        </Box>
        <Box w="11rem">
          <TextField size="sm" name="place" label={t`Where`} placeholder={t`waiting room, car …`} />
        </Box>
        <Flex gap="2" pt="6">
          <Button size="sm" type="submit" colorPalette="marigold" disabled={sending.isOnItsWay}>{t`Keep it`}</Button>
          <Button
            size="sm"
            variant="ghost"
            onClick={() => {
              sending.leave();
              onLeave();
            }}
          >{t`Leave it`}</Button>
        </Flex>
        <Text role="status" w="full" fontSize="sm" color="fg.muted">
          {sending.state}
        </Text>
      </Flex>
    </FormProvider>
  );
}

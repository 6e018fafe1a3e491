import { useEffect, useEffectEvent, useState } from 'react';
import { newId } from '../shared/ids';
import { api, ask, words, type Schemas } from '../shared/api';
import { complain } from '../shared/notices';

type News = Schemas['TapeNews'];

/** What the digital tape sends. The browser takes up a broken stream by itself; the bench works the same without it. */
export function useTape(dogId: string, onReading: (mm: number) => void) {
  const [bench] = useState(() => newId());
  const [news, setNews] = useState<News | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const arrived = useEffectEvent((latest: News) => {
    setNews(latest);
    setTrouble(latest.trouble ?? null);
    if (latest.mine && latest.millimetres != null) onReading(latest.millimetres);
  });
  // Only while the page is looked at: a browser keeps few connections to one server, and a hidden page wants no reading.
  useEffect(() => {
    let source: EventSource | null = null;
    const listen = () => {
      source?.close();
      source = null;
      if (document.visibilityState === 'hidden') return;
      source = new EventSource(`/api/devices/tape/events?bench=${bench}&dog=${dogId}`);
      source.addEventListener('tape', (event) => arrived(JSON.parse((event as MessageEvent<string>).data) as News));
      source.onerror = () => setNews(null);
    };
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      source?.close();
    };
  }, [bench, dogId]);
  const claim = () =>
    ask(api.POST('/api/devices/tape/claim', { body: { bench } })).catch((error: unknown) => complain(words(error)));
  return {
    state: news?.state ?? 'lost',
    battery: news?.batteryPercent ?? null,
    name: news?.name ?? null,
    trouble,
    mine: news?.mine ?? true,
    heldFor: news?.heldFor ?? null,
    claim,
  };
}

/** Does something with the simulated tape in place of a real one in a real hand. */
export const actOnTape = (
  act: Schemas['TapeAct'],
  at: { measure: Schemas['Measure']; side: Schemas['Side'] | null },
): Promise<unknown> =>
  ask(api.POST('/api/devices/tape/stand-in', { body: { act, measure: at.measure, side: at.side } })).catch(
    (error: unknown) => complain(words(error)),
  );

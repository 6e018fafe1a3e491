import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { api, ask, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useThisDog } from '../shared/dog';
import { keys } from '../shared/keys';
import { useAtHome } from '../shared/me';
import { Waiting } from '../shared/Waiting';
import { NewsForm } from './NewsForm';
import { useNews } from './useNews';

type News = Schemas['NewsDto'];

/** What the dog's home and the practice wrote to each other; what the other side wrote is read by being shown. */
export function NewsPage() {
  const { dog } = useThisDog();
  const atHome = useAtHome();
  const [search] = useSearchParams();
  const about = search.get('about');
  const queries = useQueryClient();
  const news = useNews(dog.id);
  const [answers, setAnswers] = useState<string | null>(null);
  const unread = news.data?.some((n) => n.fromHome !== atHome && n.readAt === null) ?? false;
  useEffect(() => {
    if (!unread) return;
    void ask(api.POST('/api/dogs/{id}/news/read', { params: { path: { id: dog.id } } })).then(() =>
      Promise.all([
        queries.invalidateQueries({ queryKey: keys.fromHome() }),
        queries.invalidateQueries({ queryKey: keys.home() }),
      ]),
    );
  }, [unread, dog.id, queries]);
  if (!news.data) return <Waiting query={news} />;
  return (
    <Box maxW="40rem">
      <Heading as="h2" size="xl" mb="2">
        {atHome ? t`To your fitter` : t`To ${dog.name}’s home`}
      </Heading>
      <NewsForm dogId={dog.id} about={about} onSent={() => setAnswers(null)} />
      {news.data.length === 0 && <Text mt="6" color="fg.muted">{t`Nothing was written yet.`}</Text>}
      <Box as="ul" mt="6">
        {news.data.map((note) => (
          <Note
            key={note.id}
            note={note}
            answered={news.data.find((n) => n.id === note.answerTo)?.text ?? null}
            theirs={note.fromHome !== atHome}
            answering={answers === note.id}
            onAnswer={() => setAnswers(answers === note.id ? null : note.id)}
            dogId={dog.id}
          />
        ))}
      </Box>
    </Box>
  );
}

function Note({
  note,
  answered,
  theirs,
  answering,
  onAnswer,
  dogId,
}: {
  note: News;
  answered: string | null;
  theirs: boolean;
  answering: boolean;
  onAnswer: () => void;
  dogId: string;
}) {
  const about = note.about && note.about !== '/' ? note.about : null;
  return (
    <Box as="li" py="3" borderTopWidth="1px" borderColor="border">
      <Flex gap="3" wrap="wrap" align="baseline">
        <Text fontWeight="700">{note.who ?? (note.fromHome ? t`From home` : t`The practice`)}</Text>
        <Text color="fg.muted">{dateText(note.at, 'moment')}</Text>
        {about && (
          <Link asChild textDecoration="underline">
            <RouterLink to={about}>{t`Where it was written`}</RouterLink>
          </Link>
        )}
      </Flex>
      {answered && (
        <Text color="fg.muted" borderInlineStartWidth="2px" borderColor="border" ps="2" lineClamp="2">
          {answered}
        </Text>
      )}
      <Text fontSize="lg" whiteSpace="pre-wrap" overflowWrap="anywhere">
        {note.text}
      </Text>
      {note.pictures.length > 0 && (
        <Flex gap="2" mt="2" wrap="wrap">
          {note.pictures.map((src, i) => (
            <a key={src} href={src} target="_blank" rel="noreferrer">
              <img src={src} alt={t`${i + 1}, sent with the note`} style={{ height: '9rem', borderRadius: 4 }} />
            </a>
          ))}
        </Flex>
      )}
      {!theirs && (
        <Text color="fg.muted" fontSize="sm">
          {note.readAt
            ? note.readBy
              ? t`✓ Read by ${note.readBy}, ${dateText(note.readAt, 'moment')}`
              : t`✓ Read ${dateText(note.readAt, 'moment')}`
            : t`○ Not read yet`}
        </Text>
      )}
      {theirs && (
        <Button
          size="sm"
          mt="1"
          variant="outline"
          borderColor="border.strong"
          aria-expanded={answering}
          onClick={onAnswer}
        >
          {t`Answer`}
        </Button>
      )}
      {answering && (
        <Box mt="2">
          <NewsForm dogId={dogId} about={null} answerTo={note.id} onSent={onAnswer} />
        </Box>
      )}
    </Box>
  );
}

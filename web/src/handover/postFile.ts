import { ask } from '../shared/api';
import { language } from '../shared/language';

/** Sends a file as it is. */
export const postFile = <Answer>(path: string, file: File) =>
  ask<Answer>(
    fetch(path, {
      method: 'POST',
      body: file,
      headers: {
        'Content-Type': file.name.endsWith('.zip') ? 'application/zip' : 'application/octet-stream',
        'Accept-Language': language,
      },
    }).then(async (response) => {
      const json = (await response.json().catch(() => undefined)) as unknown;
      return response.ok ? { data: json as never, response } : { error: json, response };
    }),
  );

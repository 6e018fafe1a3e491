import { i18n } from '@lingui/core';
import { keepSetting, setting } from './saving/device';

/** English with every letter accented: what still reads plain on a page has not come through a table of words. */
const ACCENTED = 'en-XA';
const KEY = 'jaunty-badge.language';

const plain = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const letters = [...'áƀçđéƒǵĥíĵķłɱñóƥɋřšŧúṽŵẋýžÁƁÇĐÉƑǴĤÍĴĶŁṀÑÓƤɊŘŠŦÚṼŴẊÝŽ'];

export const accent = (text: string) =>
  text.replace(/<\/?\d+\/?>|[A-Za-z]/g, (found) => letters[plain.indexOf(found)] ?? found);

/** The language is the device's; `?language=en-XA` in the address chooses it and is kept until another is named. */
const asked = new URLSearchParams(location.search).get('language');
if (asked) keepSetting(KEY, asked);
export const language = setting(KEY) === ACCENTED ? ACCENTED : 'en';

/** A sentence as the build took it apart (see words.plugin.ts): text, a place, or a choice of such sentences. */
type Parts = string | (string | [name: string, kind?: string, choices?: Record<string, Parts | number | undefined>])[];

/** The same with its text accented, and what it names as it was. */
const accented = (parts: Parts): Parts =>
  typeof parts === 'string'
    ? accent(parts)
    : parts.map((part) => {
        if (typeof part === 'string') return accent(part);
        const [name, kind, choices] = part;
        return choices && typeof choices === 'object'
          ? [
              name,
              kind,
              Object.fromEntries(
                Object.entries(choices).map(([of, said]) => [
                  of,
                  typeof said === 'object' || typeof said === 'string' ? accented(said) : said,
                ]),
              ),
            ]
          : part;
      });

i18n.setMessagesCompiler((text) => [text]);
if (language === ACCENTED) {
  const say = i18n._.bind(i18n) as (...what: unknown[]) => string;
  const loud = <T extends { message?: unknown } | undefined>(of: T): T =>
    of?.message ? { ...of, message: accented(of.message as Parts) } : of;
  i18n._ = ((what: unknown, values: unknown, options?: { message?: unknown }) =>
    say(typeof what === 'object' ? loud(what as object) : what, values, loud(options))) as typeof i18n._;
}
i18n.load(language, {});
i18n.activate(language);

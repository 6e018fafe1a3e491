import { i18n } from '@lingui/core';
import { compileMessage } from '@lingui/message-utils/compileMessage';
import { keepSetting, setting } from './saving/device';

/** English with every letter accented: what still reads plain on a page has not come through a table of words. */
const ACCENTED = 'en-XA';
const KEY = 'jaunty-badge.language';

const plain = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const accented = [...'áƀçđéƒǵĥíĵķłɱñóƥɋřšŧúṽŵẋýžÁƁÇĐÉƑǴĤÍĴĶŁṀÑÓƤɊŘŠŦÚṼŴẊÝŽ'];

export const accent = (text: string) =>
  text.replace(/<\/?\d+\/?>|[A-Za-z]/g, (found) => accented[plain.indexOf(found)] ?? found);

/** The language is the device's; `?language=en-XA` in the address chooses it and is kept until another is named. */
const asked = new URLSearchParams(location.search).get('language');
if (asked) keepSetting(KEY, asked);
export const language = setting(KEY) === ACCENTED ? ACCENTED : 'en';

i18n.setMessagesCompiler((text) => compileMessage(text, language === ACCENTED ? accent : undefined));
i18n.load(language, {});
i18n.activate(language);

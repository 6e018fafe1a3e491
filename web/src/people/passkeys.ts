import { api, ask } from '../shared/api';

/** Whether this browser keeps passkeys, and reads what is asked of it as JSON (W3C Web Authentication, level 3). */
export const hasPasskeys = () =>
  'PublicKeyCredential' in window && 'parseRequestOptionsFromJSON' in PublicKeyCredential;

/** Comes in by a passkey of this device. */
export async function signByPasskey(device: string) {
  const { options } = await ask(api.POST('/api/sign-in/passkey/ask'));
  const signed = await navigator.credentials.get({
    publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(JSON.parse(options) as never),
  });
  return ask(api.POST('/api/sign-in/passkey', { body: { credential: JSON.stringify(signed), device } }));
}

/** Makes a passkey on this device. */
export async function makePasskey(name: string) {
  const { options } = await ask(api.POST('/api/me/passkeys/ask'));
  const made = await navigator.credentials.create({
    publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(JSON.parse(options) as never),
  });
  return ask(api.POST('/api/me/passkeys', { body: { credential: JSON.stringify(made), name } }));
}

import { keepSetting, setting } from '../shared/saving/device';

export type Scheme = 'light' | 'dark';

const KEY = 'jaunty-badge.scheme';
const systemDark = () => window.matchMedia('(prefers-color-scheme: dark)').matches;

/** The scheme chosen on this device, else the system's. */
export function currentScheme(): Scheme {
  const kept = setting(KEY);
  return kept === 'light' || kept === 'dark' ? kept : systemDark() ? 'dark' : 'light';
}

/** Puts the scheme on the page; called before the first paint and after every change. */
export function applyScheme(scheme: Scheme = currentScheme()) {
  document.documentElement.classList.toggle('dark', scheme === 'dark');
  document.documentElement.style.colorScheme = scheme;
}

export function keepScheme(scheme: Scheme) {
  keepSetting(KEY, scheme);
  applyScheme(scheme);
}

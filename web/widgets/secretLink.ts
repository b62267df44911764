import type { House } from '../../contract/session.ts';

/** What stands in a link that nobody can guess: 192 random bits. */
export const newToken = (): string =>
  btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(24))))
    .replaceAll('+', '-')
    .replaceAll('/', '_');

/** The address of a page that opens by its word alone; of two workshops in one installation it names its own. */
export const secretLink = (place: 'invitation' | 'fit' | 'client', token: string, house: House | null): string =>
  `${location.origin}/${place}/${token}${house ? `?house=${house}` : ''}`;

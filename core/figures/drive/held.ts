import { type HeldBy, LINK_NAME } from '../../chain/links.ts';

/** The link that holds a figure back, in words: its name and the part it belongs to. */
export const heldWords = ({ link, part }: HeldBy): string => (part ? `${LINK_NAME[link]} (${part})` : LINK_NAME[link]);

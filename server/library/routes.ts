import { libraryAddress } from '../../contract/library.ts';
import { serve } from '../endpoint.ts';
import { libraryAtHand } from '../read/library.ts';

export const libraryEndpoints = [serve(libraryAddress.atHand, ({ db }) => libraryAtHand(db))];

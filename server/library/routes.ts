import { libraryAddress } from '../../contract/library.ts';
import { serve } from '../endpoint.ts';
import { wholeLibrary } from './queries.ts';

export const libraryEndpoints = [serve(libraryAddress.whole, ({ db }) => wholeLibrary(db))];

import { libraryAddress } from '../../contract/library.ts';
import { serve } from '../endpoint.ts';
import { wholeLibrary } from '../read/library.ts';

export const libraryEndpoints = [serve(libraryAddress.whole, ({ db }) => wholeLibrary(db))];

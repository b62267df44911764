import { endpoint } from '../endpoint.ts';
import { wholeLibrary } from './queries.ts';

export const libraryEndpoints = [
  endpoint({ method: 'get', path: '/library', may: 'viewer', answer: ({ db }) => wholeLibrary(db) }),
];

import { tenAtOnce } from './tenAtOnce.ts';

tenAtOnce('stores', 'offer');

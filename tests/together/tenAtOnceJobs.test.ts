import { tenAtOnce } from './tenAtOnce.ts';

tenAtOnce('job', 'kit');

import { tenAtOnce } from './tenAtOnce.ts';

tenAtOnce('house', 'order', 'plan', 'condition');

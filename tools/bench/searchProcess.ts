import { searchRate } from './size.ts';

// Run by the benchmark as a process of its own: one line of JSON with the rate and the most memory it ever held.
const result = searchRate();
console.log(JSON.stringify({ ...result, megabytes: process.resourceUsage().maxRSS / 1000 }));

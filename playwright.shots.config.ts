import base from './playwright.config';

/** `./pebble shots`: the same server and demo, another folder of scripts. */
export default { ...base, testMatch: 'shots.ts', reporter: 'list' as const };

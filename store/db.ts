import type { Kysely } from 'kysely';
import type { Database } from './schema';

/** The open book. */
export type Db = Kysely<Database>;

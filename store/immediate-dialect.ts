import { setImmediate as nextTurn, setTimeout as pause } from 'node:timers/promises';
import {
  CompiledQuery,
  SqliteAdapter,
  SqliteDialect,
  type DatabaseConnection,
  type Driver,
  type QueryResult,
  type TransactionSettings,
} from 'kysely';
import type { Sqlite } from './sqlite';

/** Connections of one process to one file: reads go on beside a write that waits or takes its time. */
const MOST_CONNECTIONS = 4;
/** A write waits so long for another process that holds the book, ms, and looks again so often. */
const PATIENCE_MS = 5_000;
const LOOK_AGAIN_MS = 20;
/** SQLite answers at once, so a change of many statements would hold everything up: others get their turn after this, ms. */
const TURN_MS = 10;

const WRITES = /^\s*(insert|update|delete|replace|create|drop|alter)\b/i;
const isBusy = (error: unknown) =>
  /^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown } | null)?.code));

/** One after another: who waits is served in the order of asking. */
function createTurns() {
  let last: Promise<void> = Promise.resolve();
  return {
    async take(): Promise<() => void> {
      let give!: () => void;
      const before = last;
      last = new Promise((resolve) => (give = resolve));
      await before;
      return give;
    },
  };
}
type Turns = ReturnType<typeof createTurns>;

let turnBeganMs = performance.now();
async function letOthers(): Promise<void> {
  if (performance.now() - turnBeganMs < TURN_MS) return;
  await nextTurn();
  turnBeganMs = performance.now();
}

class Connection implements DatabaseConnection {
  #endWrite: (() => void) | null = null;

  constructor(
    readonly sqlite: Sqlite,
    private readonly writes: Turns,
  ) {}

  async executeQuery<R>({ sql, parameters }: CompiledQuery): Promise<QueryResult<R>> {
    await letOthers();
    const statement = this.sqlite.prepare(sql);
    const run = (): QueryResult<R> => {
      if (statement.reader) return { rows: statement.all(parameters) as R[] };
      const { changes, lastInsertRowid } = statement.run(parameters);
      return { numAffectedRows: BigInt(changes), insertId: BigInt(lastInsertRowid), rows: [] };
    };
    if (this.sqlite.inTransaction || !WRITES.test(sql)) return run();
    const done = await this.writes.take();
    try {
      return await patiently(run);
    } finally {
      done();
    }
  }

  async *streamQuery<R>({ sql, parameters }: CompiledQuery): AsyncGenerator<QueryResult<R>> {
    for (const row of this.sqlite.prepare(sql).iterate(parameters)) {
      await letOthers();
      yield { rows: [row as R] };
    }
  }

  /** One that may write begins immediately, when its turn has come and no other process holds the book. */
  async begin(readOnly: boolean): Promise<void> {
    if (readOnly) {
      this.sqlite.exec('begin');
      return;
    }
    const done = await this.writes.take();
    try {
      await patiently(() => this.sqlite.exec('begin immediate'));
      this.#endWrite = done;
    } catch (error) {
      done();
      throw error;
    }
  }

  /** A full disk ends a transaction by itself: what ended it is said then, not that there is none. */
  end(how: 'commit' | 'rollback'): void {
    try {
      if (how === 'commit' || this.sqlite.inTransaction) this.sqlite.exec(how);
    } finally {
      if (!this.sqlite.inTransaction) {
        this.#endWrite?.();
        this.#endWrite = null;
      }
    }
  }
}

/** Again and again while another process holds the book, and meanwhile everything else goes on. */
async function patiently<T>(work: () => T): Promise<T> {
  for (const until = performance.now() + PATIENCE_MS; ;) {
    try {
      return work();
    } catch (error) {
      if (!isBusy(error) || performance.now() > until) throw error;
    }
    await pause(LOOK_AGAIN_MS);
  }
}

/** A few connections to one file, made as they are needed. */
class PooledDriver implements Driver {
  readonly #writes = createTurns();
  readonly #idle: Connection[] = [];
  readonly #all: Connection[] = [];
  readonly #waiting: ((connection: Connection) => void)[] = [];

  constructor(private readonly open: () => Sqlite) {}

  async init(): Promise<void> {}

  async acquireConnection(): Promise<DatabaseConnection> {
    const idle = this.#idle.pop();
    if (idle) return idle;
    if (this.#all.length < MOST_CONNECTIONS) {
      const made = new Connection(this.open(), this.#writes);
      this.#all.push(made);
      return made;
    }
    return new Promise((resolve) => this.#waiting.push(resolve));
  }
  async releaseConnection(connection: DatabaseConnection): Promise<void> {
    const next = this.#waiting.shift();
    if (next) next(connection as Connection);
    else this.#idle.push(connection as Connection);
  }
  async beginTransaction(
    connection: DatabaseConnection,
    { accessMode }: TransactionSettings,
  ): Promise<void> {
    await (connection as Connection).begin(accessMode === 'read only');
  }
  async commitTransaction(connection: DatabaseConnection): Promise<void> {
    (connection as Connection).end('commit');
  }
  async rollbackTransaction(connection: DatabaseConnection): Promise<void> {
    (connection as Connection).end('rollback');
  }
  async destroy(): Promise<void> {
    for (const { sqlite } of this.#all.splice(0)) sqlite.close();
    this.#idle.length = 0;
  }
}

/** SQLite changes tables within a transaction; the package's own adapter says that it does not. */
class TransactionalDdlAdapter extends SqliteAdapter {
  override get supportsTransactionalDdl(): boolean {
    return true;
  }
}

/**
 * SQLite for a server: transactions that may write begin immediately, since a plain `begin` takes a read
 * snapshot first and is refused (SQLITE_BUSY_SNAPSHOT) when a second writer commits before the first
 * write; one write at a time, in the order of asking; reads beside it on connections of their own;
 * and whoever waits for a lock does not hold up the program.
 */
export class ImmediateSqliteDialect extends SqliteDialect {
  readonly #open: () => Sqlite;
  constructor(open: () => Sqlite) {
    super({ database: async () => open() });
    this.#open = open;
  }
  override createAdapter(): SqliteAdapter {
    return new TransactionalDdlAdapter();
  }
  override createDriver(): Driver {
    return new PooledDriver(this.#open);
  }
}

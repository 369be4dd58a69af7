import {
  CompiledQuery,
  SqliteAdapter,
  SqliteDialect,
  SqliteDriver,
  type DatabaseConnection,
  type Driver,
  type SqliteDialectConfig,
  type TransactionSettings,
} from 'kysely';

/**
 * Transactions that may write begin immediately. A plain `begin` takes a read snapshot first and is
 * refused (SQLITE_BUSY_SNAPSHOT) when a second writer commits before the first write; no busy
 * timeout helps there. Read-only ones begin plainly: a snapshot that holds nobody up.
 */
class ImmediateDriver extends SqliteDriver {
  override async beginTransaction(
    connection: DatabaseConnection,
    settings?: TransactionSettings,
  ): Promise<void> {
    const begin = settings?.accessMode === 'read only' ? 'begin' : 'begin immediate';
    await connection.executeQuery(CompiledQuery.raw(begin));
  }
}

/** SQLite changes tables within a transaction; the package's own adapter says that it does not. */
class TransactionalDdlAdapter extends SqliteAdapter {
  override get supportsTransactionalDdl(): boolean {
    return true;
  }
}

export class ImmediateSqliteDialect extends SqliteDialect {
  readonly #config: SqliteDialectConfig;
  constructor(config: SqliteDialectConfig) {
    super(config);
    this.#config = config;
  }
  override createAdapter(): SqliteAdapter {
    return new TransactionalDdlAdapter();
  }
  override createDriver(): Driver {
    return new ImmediateDriver(this.#config);
  }
}

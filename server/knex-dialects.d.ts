/** The parts of Knex’s dialect for SQLite that are extended here; it ships no types for them. */
declare module 'knex/lib/dialects/better-sqlite3/index.js' {
  export default class ClientBetterSqlite3 {
    transaction(...args: readonly unknown[]): unknown;
  }
}
declare module 'knex/lib/dialects/sqlite3/execution/sqlite-transaction.js' {
  export default class TransactionSqlite {
    constructor(client: unknown, ...args: readonly unknown[]);
    query(connection: unknown, sql: string): Promise<unknown>;
    begin(connection: unknown): Promise<unknown>;
  }
}

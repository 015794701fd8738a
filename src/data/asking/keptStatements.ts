import sqlite3 from 'sqlite3';

/** Statements that a connection keeps; the one used longest ago goes first. */
const KEPT = 400;

const PRAGMAS = [
  'PRAGMA journal_mode = WAL',
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  'PRAGMA busy_timeout = 5000',
] as const;

/** A connection to SQLite that keeps the statements it was asked with: working out how to answer is most of a short one. */
export class Connection extends sqlite3.Database {
  private readonly kept = new Map<string, Promise<sqlite3.Statement>>();

  constructor(file: string, mode: number, callback?: (error: Error | null) => void) {
    super(file, mode, callback);
    // One statement at a time: two would only wait for each other, each on a thread.
    this.serialize();
    // What goes wrong here goes wrong with the first question, too, and is told there: a file that is no database.
    for (const pragma of PRAGMAS) this.run(pragma, () => undefined);
  }

  /** The rows that a statement answers; none for one that writes. */
  async ask<T>(text: string, values: readonly unknown[]): Promise<T[]> {
    const statement = await this.statement(text);
    return new Promise((resolve, reject) => {
      statement.all<T>([...values], (error, rows) => (error ? reject(error) : resolve(rows)));
    });
  }

  private statement(text: string): Promise<sqlite3.Statement> {
    const known = this.kept.get(text);
    this.kept.delete(text);
    const statement =
      known ??
      new Promise<sqlite3.Statement>((resolve, reject) => {
        this.prepare(text, function (error) {
          if (error) reject(error);
          else resolve(this);
        });
      });
    this.kept.set(text, statement);
    if (!known) {
      statement.catch(() => this.kept.delete(text));
      const [oldest] = this.kept.keys();
      if (this.kept.size > KEPT) this.letGo(oldest!);
    }
    return statement;
  }

  private letGo(text: string): void {
    const statement = this.kept.get(text);
    this.kept.delete(text);
    // Those who were given it ask with it first.
    void statement?.then((one) => setImmediate(() => one.finalize())).catch(() => undefined);
  }

  override close(callback?: (error: Error | null) => void): void {
    const kept = [...this.kept.values()];
    this.kept.clear();
    void Promise.allSettled(kept).then((all) => {
      for (const one of all) if (one.status === 'fulfilled') one.value.finalize();
      super.close(callback);
    });
  }
}

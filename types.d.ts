declare module '*.css';
declare module 'jstat' {
  /** What tests hold our own statistics against. */
  export const jStat: {
    beta: { inv(share: number, a: number, b: number): number };
    chisquare: { inv(share: number, figures: number): number };
  };
}

// The same package, of the last version that is compiled at install: for a Node that its successor does not run on.
declare module 'better-sqlite3-compiled' {
  import Database from 'better-sqlite3';
  export default Database;
}

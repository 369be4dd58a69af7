declare module '*.css';
declare module 'jstat' {
  /** What tests hold our own statistics against. */
  export const jStat: {
    beta: { inv(share: number, a: number, b: number): number };
    chisquare: { inv(share: number, figures: number): number };
  };
}

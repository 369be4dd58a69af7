/** Whether the outing's page opens without a network. */
export type Offline =
  | 'asking'
  /** The page opens without a network. */
  | 'ready'
  /** The browser does not trust the address, or keeps no pages: logging is off without a network. */
  | 'denied';

/** The whole cell is the hidden input: a press anywhere in it counts. */
export const OVER_CELL = {
  position: 'absolute',
  inset: 0,
  width: '100%',
  height: '100%',
  margin: 0,
  opacity: 0,
  clip: 'auto',
  cursor: 'pointer',
} as const;

/**
 * Where everything lies in the one memory of a run, in bytes. All constant, so that a neighbour is one
 * pointer and an offset written into the instruction. `shallow-wasm.ts` reads the same figures.
 */

/** Cells that a field holds, with its padding. */
export const MOST_CELLS: i32 = 1 << 20;
/** A field and a little more, so that no two begin at the same place of the cache. */
const FIELD: usize = 4 * <usize>MOST_CELLS + 320;
/** Rows and columns at most, with padding. */
export const MOST_ROWS: i32 = 8192;
export const MOST_COLUMNS: i32 = 16384;

const TABLE: usize = 4 * <usize>MOST_ROWS;
/** First and last block of four columns computed in each row, and the wet ones among them. */
export const ROW_LO: usize = 65536;
export const ROW_HI: usize = ROW_LO + TABLE;
export const WET_LO: usize = ROW_HI + TABLE;
export const WET_HI: usize = WET_LO + TABLE;
/** Per row of the inflow column: 1/n. */
export const EASE: usize = WET_HI + TABLE;

/** Rows of work, with a block before and behind. */
const LINE: usize = 4 * <usize>MOST_COLUMNS + 192;
/** Flux of momentum and of water, in cells and at corners, of u and of v; two of those that the next row needs. */
export const CELL_U: usize = EASE + TABLE + 64;
export const CELL_U_Q: usize = CELL_U + LINE;
export const CORNER_V: usize = CELL_U_Q + LINE;
export const CORNER_V_Q: usize = CORNER_V + LINE;
export const CORNER_U: usize = CORNER_V_Q + LINE;
export const CORNER_U_Q: usize = CORNER_U + 2 * LINE;
export const CELL_V: usize = CORNER_U_Q + 2 * LINE;
export const CELL_V_Q: usize = CELL_V + 2 * LINE;
/** New velocities of a row, until the row after it has read the old ones. */
export const NEW_U: usize = CELL_V_Q + 2 * LINE;
export const NEW_V: usize = NEW_U + 2 * LINE;
/** From one of a pair to the other. */
export const OTHER: usize = LINE;

/** Fields, in the order of `FIELDS` in `shallow-wasm.ts`. */
export const ZB: usize = 2097152;
export const ZU: usize = ZB + FIELD;
export const ZV: usize = ZU + FIELD;
/** g n^2. */
export const GNN: usize = ZV + FIELD;
export const D84: usize = GNN + FIELD;
export const H: usize = D84 + FIELD;
export const ETA: usize = H + FIELD;
export const U: usize = ETA + FIELD;
export const V: usize = U + FIELD;
export const HU: usize = V + FIELD;
export const HV: usize = HU + FIELD;
export const QX: usize = HV + FIELD;
export const QY: usize = QX + FIELD;
export const CF: usize = QY + FIELD;
export const NU: usize = CF + FIELD;

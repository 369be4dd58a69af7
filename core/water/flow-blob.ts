import type { FlowField } from './flow-field';

/** "PLFW", version 1. All numbers little-endian. */
const MAGIC = 0x57464c50;
const VERSION = 1;
const STATUSES = ['converged', 'averaged', 'stopped', 'diverged'] as const;
const FIELDS = ['bedM', 'depthM', 'u', 'v', 'surfaceM', 'speedSqM2s2', 'd84M'] as const;
const HEADER_BYTES = 16 + 8 * 8;

/**
 * A flow as bytes:
 *   u32 magic, u32 version, u32 nx, u32 ny,
 *   f64 cellM, x0M, y0M, dischargeM3s, massError, depthMisfitM, iterations, status * 2 + calibrated,
 *   f64[nx ny] of each of bedM, depthM, u, v, surfaceM, speedSqM2s2, d84M, then u8[nx ny] solid.
 */
export function encodeFlow(flow: FlowField): Uint8Array {
  const cells = flow.nx * flow.ny;
  const bytes = new Uint8Array(HEADER_BYTES + cells * (8 * FIELDS.length + 1));
  const view = new DataView(bytes.buffer);
  [MAGIC, VERSION, flow.nx, flow.ny].forEach((n, i) => view.setUint32(4 * i, n, true));
  const code = STATUSES.indexOf(flow.status) * 2 + (flow.calibrated ? 1 : 0);
  [
    flow.cellM,
    flow.x0M,
    flow.y0M,
    flow.dischargeM3s,
    flow.massError,
    flow.depthMisfitM,
    flow.iterations,
    code,
  ].forEach((n, i) => view.setFloat64(16 + 8 * i, n, true));
  let at = HEADER_BYTES;
  for (const name of FIELDS) {
    for (let k = 0; k < cells; k++, at += 8) view.setFloat64(at, flow[name][k]!, true);
  }
  bytes.set(flow.solid, at);
  return bytes;
}

/** null when the bytes are not a flow of this version or are cut short. */
export function decodeFlow(bytes: Uint8Array): FlowField | null {
  if (bytes.length < HEADER_BYTES) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [magic, version, nx, ny] = [0, 4, 8, 12].map((o) => view.getUint32(o, true)) as [
    number,
    number,
    number,
    number,
  ];
  if (magic !== MAGIC || version !== VERSION) return null;
  const cells = nx * ny;
  if (bytes.length !== HEADER_BYTES + cells * (8 * FIELDS.length + 1)) return null;
  const head = (i: number) => view.getFloat64(16 + 8 * i, true);
  const arrays = {} as Record<(typeof FIELDS)[number], Float64Array>;
  let at = HEADER_BYTES;
  for (const name of FIELDS) {
    const field = new Float64Array(cells);
    for (let k = 0; k < cells; k++, at += 8) field[k] = view.getFloat64(at, true);
    arrays[name] = field;
  }
  const code = head(7);
  const status = STATUSES[code >> 1];
  if (!status) return null;
  return {
    nx,
    ny,
    cellM: head(0),
    x0M: head(1),
    y0M: head(2),
    dischargeM3s: head(3),
    ...arrays,
    solid: bytes.slice(at, at + cells),
    status,
    massError: head(4),
    calibrated: (code & 1) === 1,
    depthMisfitM: head(5),
    iterations: head(6),
  };
}

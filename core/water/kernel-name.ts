/** Which step the flow is solved with: apart from the solver, so that a page can ask without it. */
export const KERNEL_NAMES = ['wasm', 'typescript'] as const;
export type KernelName = (typeof KERNEL_NAMES)[number];

/** Changes whenever the answers of either do. */
export const KERNEL_VERSION = 1;

/** The least module that works on four lanes: it splats a constant. */
const FOUR_LANES = [
  ...[0, 97, 115, 109, 1, 0, 0, 0, 1, 5, 1, 96, 0, 1, 123, 3],
  ...[2, 1, 0, 10, 10, 1, 8, 0, 65, 0, 253, 15, 253, 98, 11],
];

let here: KernelName | undefined;
/** The fastest that this machine has: WebAssembly on four lanes, else the reference. */
export function kernelHere(): KernelName {
  here ??= compiles() ? 'wasm' : 'typescript';
  return here;
}

/** Compiled, not only validated: a host's content policy may forbid it. */
function compiles(): boolean {
  try {
    return Boolean(new WebAssembly.Module(new Uint8Array(FOUR_LANES)));
  } catch {
    return false;
  }
}

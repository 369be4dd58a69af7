import type { KernelName } from './kernel-name';
import { prepareShallow, stepShallow } from './shallow-kernel';
import { createShallowState, type ShallowKernel, type ShallowSetUp } from './shallow-state';
import { createWasmKernel } from './shallow-wasm';

/** The reference, in double precision; and what serves where four lanes or the memory are missing. */
function createTypescriptKernel(setUp: ShallowSetUp): ShallowKernel {
  const state = createShallowState(setUp);
  return {
    name: 'typescript',
    grid: state,
    prepare: () => prepareShallow(state),
    step: (steps, untilS) => stepShallow(state, steps, untilS),
    release() {},
  };
}

/** Throws RangeError where `name` asks for WebAssembly and the machine has none, or too little. */
export function createKernel(setUp: ShallowSetUp, name?: KernelName): ShallowKernel {
  if (name === 'typescript') return createTypescriptKernel(setUp);
  const fast = createWasmKernel(setUp);
  if (!fast && name === 'wasm')
    throw new RangeError(
      `kernel "wasm": this machine has none, or ${setUp.nx} x ${setUp.ny} cells are too many`,
    );
  return fast ?? createTypescriptKernel(setUp);
}

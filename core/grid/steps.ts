/** Work in steps, so that whoever asked can give way between them: run to its end at once. */
export function finish<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same steps, told as one point of a larger piece of work. */
export function* saying<T>(progress: number, steps: Generator<unknown, T>): Generator<number, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield progress;
  }
}

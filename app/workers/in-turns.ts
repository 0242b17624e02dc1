/** Milliseconds of work between two looks at what the page asks for. */
const TURN = 12;

/** Lets the messages that have come in be heard. Timers would wait some milliseconds each time. */
function listen(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}

/** Runs slices to their end and gives their result; null where they are no longer wanted. */
export async function inTurns<Result>(
  slices: Generator<void, Result>,
  isWanted: () => boolean,
): Promise<Result | null> {
  let turn = performance.now();
  for (;;) {
    const { done, value } = slices.next();
    if (done) return isWanted() ? value : null;
    if (performance.now() - turn < TURN) continue;
    await listen();
    if (!isWanted()) return null;
    turn = performance.now();
  }
}

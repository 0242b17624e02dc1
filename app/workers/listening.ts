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

/** A pause between slices of work that now and then hears what the page says; false once the work is not wanted. */
export function listening(isWanted: () => boolean): () => Promise<boolean> {
  let turn = performance.now();
  return async () => {
    if (performance.now() - turn < TURN) return true;
    await listen();
    turn = performance.now();
    return isWanted();
  };
}

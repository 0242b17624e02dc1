/** Three falling strokes of a small bell: pitch in hertz, and when each begins, in seconds. */
const STROKES = [
  { pitch: 880, at: 0 },
  { pitch: 660, at: 0.25 },
  { pitch: 880, at: 0.5 },
];
const FADES = 0.6;
const LOUDNESS = 0.25;

/** Rings once. A browser that lets no page sound before it was touched stays silent. */
export function ring(): void {
  const context = new AudioContext();
  for (const { pitch, at } of STROKES) {
    const tone = new OscillatorNode(context, { frequency: pitch });
    const gain = new GainNode(context, { gain: LOUDNESS });
    const start = context.currentTime + at;
    gain.gain.exponentialRampToValueAtTime(0.001, start + FADES);
    tone.connect(gain).connect(context.destination);
    tone.start(start);
    tone.stop(start + FADES);
  }
  setTimeout(() => void context.close(), 2000);
}

/** Rings whenever a name comes that was not among the due before; nothing rings for what is due already. */
export function useBell(due: Ref<readonly string[]>, isWanted: () => boolean): void {
  watch(due, (now, before) => {
    if (isWanted() && now.some((name) => !before.includes(name))) ring();
  });
}

import { defineStore } from 'pinia';

/** Names of errors with which a browser refuses to store, with what to tell a cook. */
const REASONS: readonly (readonly [RegExp, string])[] = [
  [/Quota/, 'The browser has no room left for what you change.'],
  [
    /MissingAPI|OpenFailed|InvalidState|DatabaseClosed|Security|UnknownError|VersionError|NotFoundError|Abort|Timeout/,
    'This browser refuses to keep what you change.',
  ],
];

function namesOf(error: unknown): string {
  const { name, inner } = (error ?? {}) as { name?: unknown; inner?: unknown };
  return `${String(name ?? '')} ${inner ? namesOf(inner) : ''}`;
}

/** Whether what is changed can be kept. */
export const useStorageTrouble = defineStore('trouble', () => {
  const text = ref('');

  /** True where the error is one of storing; it is then told until the page is loaded anew. */
  function tell(error: unknown): boolean {
    const names = namesOf(error);
    const reason = REASONS.find(([name]) => name.test(names));
    if (reason) text.value = reason[1];
    return reason !== undefined;
  }

  return { text, tell };
});

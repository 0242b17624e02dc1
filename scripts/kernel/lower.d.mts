/** The text of a TypeScript file, lowered. */
export function lower(text: string, name: string): string;

export function whenStaleBelow(
  root: string,
  name: string,
  product: string,
  paths: readonly string[],
  work: () => void | Promise<void>,
): Promise<void>;

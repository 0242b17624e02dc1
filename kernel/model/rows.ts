/** What `target.set(source)` is among rows. */
export function copyRow<T>(target: StaticArray<T>, source: StaticArray<T>): void {
  memory.copy(changetype<usize>(target), changetype<usize>(source), (source.length as usize) << alignof<T>());
}

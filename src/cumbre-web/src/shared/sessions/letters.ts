/** The letters of a session's items: A, B, and D1, D2 where they are done in turn. */
export function letters(items: readonly { joined: boolean }[]): string[] {
  let group = -1;
  const groups = items.map((i, n) => (n > 0 && i.joined ? group : ++group));
  return items.map((_, n) => {
    const same = groups.filter((g) => g === groups[n]).length;
    const letter = String.fromCharCode(65 + (groups[n]! % 26));
    return same === 1 ? letter : `${letter}${groups.slice(0, n + 1).filter((g) => g === groups[n]).length}`;
  });
}

/** A record without some of its fields. */
export function omit<T extends object, K extends keyof T>(from: T, ...keys: K[]): Omit<T, K> {
  const rest = { ...from };
  keys.forEach((key) => delete rest[key]);
  return rest;
}

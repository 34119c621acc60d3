/** Words of closed lists that travel as codes. */
const words: Record<string, string> = {
  Epley: "Epley",
  Brzycki: "Brzycki",
  Lombardi: "Lombardi",
  OConner: "O’Conner",
  Lander: "Lander",
  Wathan: "Wathan",
  Mayhew: "Mayhew",
  TwoInARow: "two in a row",
  OneCleanSession: "one clean session",
  BaseFirst: "base first",
  RepFirst: "reps first",
};

export function wordOf(code: string) {
  return words[code] ?? code;
}

/** Words of closed lists that travel as codes. */
const words: Record<string, string> = {
  Epley: "Epley",
  Brzycki: "Brzycki",
  Lombardi: "Lombardi",
  OConner: "O’Conner",
  Lander: "Lander",
  Wathan: "Wathan",
  Mayhew: "Mayhew",
  Male: "men’s",
  Female: "women’s",
  Neither: "mean of both",
};

/** Slugs of the catalogue read as words once their dashes are gone. */
export function wordOf(code: string) {
  return words[code] ?? code.replaceAll("-", " ");
}

// Writes the list of common passwords as hashes: the first five bytes of the SHA-256 of each, in order. So the list can be
// asked and not read. Run it with node after a new version of the package.
import { createHash } from "node:crypto";
import { createRequire } from "node:module";
import { writeFileSync } from "node:fs";
import { join } from "node:path";

const root = join(import.meta.dirname, "..");
const { dictionary } = createRequire(join(root, "src", "cumbre-web", "package.json"))("@zxcvbn-ts/language-common");
const bytes = 5;
const shortest = 4;

const hashes = [...new Set(dictionary["passwords-common"])]
  .filter((password) => password.length >= shortest)
  .map((password) => createHash("sha256").update(password.toLowerCase()).digest().subarray(0, bytes))
  .sort(Buffer.compare);
writeFileSync(join(root, "src", "Cumbre.Server", "Accounts", "common-passwords.bin"), Buffer.concat(hashes));

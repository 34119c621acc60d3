// Fails when the TypeScript client is not the one that the API document gives, which the build has just written, or when
// the server's messages are not those of the catalogue.
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { generate, target } from "./words.mjs";

const web = join(import.meta.dirname, "..", "src", "cumbre-web");
const folder = mkdtempSync(join(tmpdir(), "cumbre-drift-"));
try {
  const fresh = join(folder, "schema.ts");
  const run = (tool, ...args) => execFileSync(join(web, "node_modules", ".bin", tool), args, { cwd: web, stdio: "pipe" });
  run("openapi-typescript", "api/api.json", "-o", fresh);
  run("prettier", "--write", "--config", ".prettierrc.json", fresh);
  if (readFileSync(fresh, "utf8") !== readFileSync(join(web, "src", "shared", "api", "schema.ts"), "utf8")) {
    console.error("src/cumbre-web/src/shared/api/schema.ts is not what api/api.json gives: run npm run api in src/cumbre-web.");
    process.exitCode = 1;
  }
  if (readFileSync(target, "utf8") !== generate()) {
    console.error("Words.g.cs is not what src/words/server.json gives: run npm run words in src/cumbre-web.");
    process.exitCode = 1;
  }
} finally {
  rmSync(folder, { recursive: true });
}

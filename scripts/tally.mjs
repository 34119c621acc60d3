// Prints "passed failed" of a TRX or JUnit report. A skipped test counts as failed: none is skipped on purpose.
import { readFileSync } from "node:fs";

const text = readFileSync(process.argv[2], "utf8");
const attribute = (tag, name) => Number(new RegExp(`<${tag}\\b[^>]*\\b${name}="(\\d+)"`).exec(text)?.[1] ?? 0);

let passed, failed;
if (text.includes("<Counters")) {
  passed = attribute("Counters", "passed");
  failed = ["failed", "error", "notExecuted", "timeout", "aborted"].reduce((sum, name) => sum + attribute("Counters", name), 0);
} else {
  const total = attribute("testsuites", "tests");
  const skipped = (text.match(/<skipped\b/g) ?? []).length;
  failed = attribute("testsuites", "failures") + attribute("testsuites", "errors") + skipped;
  passed = total - failed;
}
if (passed + failed === 0) throw new Error("the report holds no test");
console.log(`${passed} ${failed}`);

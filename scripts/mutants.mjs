// Reads a mutation report: the score, and the faults that no test has found. Fails under 85 in 100, and where nothing was measured.
import { readFileSync } from "node:fs";

const report = JSON.parse(readFileSync(process.argv[2], "utf8"));
const count = {};
const left = [];
for (const [file, { mutants }] of Object.entries(report.files)) {
  for (const m of mutants) {
    count[m.status] = (count[m.status] ?? 0) + 1;
    if (m.status === "Survived" || m.status === "NoCoverage") {
      left.push(
        `  ${file.split("/").pop()}:${m.location.start.line} ${m.status === "NoCoverage" ? "not reached" : "not found"}: ${m.replacement.replace(/\s+/g, " ").slice(0, 100)}`,
      );
    }
  }
}
const found = (count.Killed ?? 0) + (count.Timeout ?? 0);
const all = found + (count.Survived ?? 0) + (count.NoCoverage ?? 0);
if (all === 0 || found === 0) {
  console.log("nothing was measured");
  process.exit(1);
}
const score = (100 * found) / all;
console.log(left.join("\n"));
console.log(
  `${score.toFixed(1)} in 100: ${found} of ${all} found (${count.Timeout ?? 0} by running on), ${count.CompileError ?? 0} did not compile, ${count.Ignored ?? 0} not planted`,
);
process.exit(score < 85 ? 1 : 0);

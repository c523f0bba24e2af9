// Which places of the core get faults (`patterns ONE_IN FROM FOLDER…`), which of them the tests have not found yet (`left REPORT…`), and how many they found (`score REPORT…`).
import { readFileSync, readdirSync } from "node:fs";

const core = "src/Nokko.Core";
const block = 8; // lines

const isFound = (m) => m.status === "Killed" || m.status === "Timeout";
const isLeft = (m) => m.status === "Survived" || m.status === "NoCoverage";

const [, , what, ...rest] = process.argv;
if (what === "patterns") patterns(Number(rest[0]), Number(rest[1]), rest.slice(2));
else if (what === "left") left(rest);
else score(rest);

/** One pattern a file. Of many blocks of lines every Nth is taken, from the one that is named on and counted over all files, so that the same code gets the same sample. */
function patterns(oneIn, from, folders) {
  let at = oneIn - from;
  for (const folder of folders) {
    if (oneIn === 1) {
      console.log(`${folder}/*.cs`);
      continue;
    }
    for (const file of readdirSync(`${core}/${folder}`)
      .filter((f) => f.endsWith(".cs"))
      .sort()) {
      const lines = readFileSync(`${core}/${folder}/${file}`, "utf8").split(/(?<=\n)/);
      let spans = "";
      let start = 0;
      for (let i = 0; i < lines.length; i += block) {
        const length = lines.slice(i, i + block).join("").length;
        if (at++ % oneIn === 0) spans += `{${start}..${start + length}}`;
        start += length;
      }
      if (spans) console.log(`${folder}/${file}${spans}`);
    }
  }
}

/** The faults of several runs: one that any of them found is found. */
function planted(paths) {
  const faults = new Map();
  for (const path of paths) {
    for (const [file, { source, mutants }] of Object.entries(JSON.parse(readFileSync(path, "utf8")).files)) {
      const [folder, name] = file.split("/").slice(-2);
      for (const m of mutants) {
        const key = [folder, name, JSON.stringify(m.location), m.mutatorName, m.replacement].join("|");
        const now = { folder, name, source, ...m };
        const was = faults.get(key);
        if (!was || isLeft(was) && (isFound(now) || isLeft(now))) faults.set(key, now);
      }
    }
  }
  return [...faults.values()];
}

/** One pattern a file, of the places of faults that no test has found. */
function left(paths) {
  const files = new Map();
  for (const m of planted(paths).filter(isLeft)) {
    const lines = m.source.split(/(?<=\n)/);
    const at = ({ line, column }) => lines.slice(0, line - 1).join("").length + column - 1;
    const file = `${m.folder}/${m.name}`;
    if (!files.has(file)) files.set(file, new Set());
    files.get(file).add(`{${at(m.location.start)}..${at(m.location.end)}}`);
  }
  for (const [file, spans] of files) console.log(file + [...spans].join(""));
}

/** The score of each folder, and the faults that no test has found. Fails under 85 in 100, and where nothing was measured. */
function score(paths) {
  let measured = 0;
  let low = 0;
  const every = planted(paths);
  for (const folder of [...new Set(every.map((m) => m.folder))].sort()) {
    const faults = every.filter((m) => m.folder === folder);
    const found = faults.filter(isFound);
    const lost = faults.filter(isLeft);
    const all = found.length + lost.length;
    if (all === 0) continue;
    measured += found.length;
    if (found.length < 0.85 * all) low++;
    const count = (status) => faults.filter((m) => m.status === status).length;
    console.log(
      `${folder}: ${((100 * found.length) / all).toFixed(1)} in 100, ${found.length} of ${all} found (${count("Timeout")} by running on), ${count("CompileError")} did not compile`,
    );
    for (const m of lost) {
      const told = m.status === "NoCoverage" ? "not reached" : "not found";
      console.log(`  ${m.name}:${m.location.start.line} ${told}: ${m.replacement.replace(/\s+/g, " ").slice(0, 100)}`);
    }
  }
  if (measured === 0) console.log("nothing was measured");
  process.exit(measured === 0 || low > 0 ? 1 : 0);
}

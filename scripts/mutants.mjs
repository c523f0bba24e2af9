// Which places of a copy of the core get faults (`sample TREE ONE_IN FROM FOLDER…`), and how many of them the tests found (`score REPORT`).
import { readFileSync, readdirSync, writeFileSync } from "node:fs";

const block = 8; // lines

const [, , what, ...rest] = process.argv;
if (what === "sample") sample(rest[0], Number(rest[1]), Number(rest[2]), rest.slice(3));
else score(rest[0]);

/**
 * Prints one pattern a file. Of many blocks of lines every Nth is taken, from the one that is named on and counted over
 * all files, so that the same code gets the same sample. Every member of the core outside of it is marked as left alone
 * (where an empty line stood, so that all lines keep their numbers): what is never asked for would be learned and
 * carried along by every test, and make them ten times slower.
 */
function sample(tree, oneIn, from, folders) {
  const core = `${tree}/src/Nokko.Core`;
  let at = oneIn - from;
  const every = readdirSync(core, { withFileTypes: true }).filter((f) => f.isDirectory());
  for (const { name: folder } of every.sort((a, b) => (a.name < b.name ? -1 : 1)))
    for (const name of readdirSync(`${core}/${folder}`)
      .filter((f) => f.endsWith(".cs"))
      .sort()) {
      const path = `${core}/${folder}/${name}`;
      const was = readFileSync(path, "utf8").split(/(?<=\n)/);
      const taken = was.map(() => false);
      if (folders.includes(folder))
        for (let i = 0; i < was.length; i += block) if (at++ % oneIn === 0) taken.fill(true, i, i + block);
      const lines = quiet(was, taken);
      writeFileSync(path, lines.join(""));
      const spans = [];
      let start = 0;
      lines.forEach((line, i) => {
        if (taken[i]) spans.push(`{${start}..${start + line.length}}`);
        start += line.length;
      });
      if (spans.length) console.log(`${folder}/${name}${spans.join("")}`);
    }
}

/** The same lines, with every member that holds nothing of the sample marked. */
function quiet(lines, taken) {
  const opens = lines.flatMap((line, i) => (line.trim() === "" && /^( {4})?[^ }\n]/.test(lines[i + 1] ?? "") ? [i] : []));
  const marked = [...lines];
  opens.forEach((from, k) => {
    const asked = taken.slice(from, opens[k + 1]).includes(true);
    const indent = /^ */.exec(lines[from + 1])[0];
    marked[from] = `${indent}// Stryker ${asked ? "restore" : "disable"} all\n`;
  });
  return marked;
}

/** The score of each folder, and the faults that no test has found. Fails under 85 in 100, and where nothing was measured. */
function score(path) {
  const every = Object.entries(JSON.parse(readFileSync(path, "utf8")).files).flatMap(([file, { mutants }]) => {
    const [folder, name] = file.split("/").slice(-2);
    return mutants.map((m) => ({ folder, name, ...m }));
  });
  let measured = 0;
  let low = 0;
  for (const folder of [...new Set(every.map((m) => m.folder))].sort()) {
    const faults = every.filter((m) => m.folder === folder);
    const count = (...statuses) => faults.filter((m) => statuses.includes(m.status)).length;
    const found = count("Killed", "Timeout");
    const lost = faults.filter((m) => m.status === "Survived" || m.status === "NoCoverage");
    const all = found + lost.length;
    if (all === 0) continue;
    measured += found;
    if (found < 0.85 * all) low++;
    console.log(
      `${folder}: ${((100 * found) / all).toFixed(1)} in 100, ${found} of ${all} found (${count("Timeout")} by running on), ${count("CompileError")} did not compile`,
    );
    for (const m of lost) {
      const told = m.status === "NoCoverage" ? "not reached" : "not found";
      console.log(`  ${m.name}:${m.location.start.line} ${told}: ${m.replacement.replace(/\s+/g, " ").slice(0, 100)}`);
    }
  }
  if (measured === 0) console.log("nothing was measured");
  process.exit(measured === 0 || low > 0 ? 1 : 0);
}

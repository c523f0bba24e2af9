// Which places of the core get faults (`patterns ONE_IN FROM FOLDER…`), and how many of them the tests found (`score REPORT`).
import { readFileSync, readdirSync } from "node:fs";

const core = "src/Nokko.Core";
const block = 8; // lines

const [, , what, ...rest] = process.argv;
if (what === "patterns") patterns(Number(rest[0]), Number(rest[1]), rest.slice(2));
else score(rest[0]);

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

/** The score of each folder, and the faults that no test has found. Fails under 85 in 100, and where nothing was measured. */
function score(path) {
  const folders = new Map();
  for (const [file, { mutants }] of Object.entries(JSON.parse(readFileSync(path, "utf8")).files)) {
    const [folder, name] = file.split("/").slice(-2);
    for (const m of mutants) {
      if (!folders.has(folder)) folders.set(folder, { count: {}, left: [] });
      const { count, left } = folders.get(folder);
      count[m.status] = (count[m.status] ?? 0) + 1;
      if (m.status === "Survived" || m.status === "NoCoverage") {
        const told = m.status === "NoCoverage" ? "not reached" : "not found";
        left.push(`  ${name}:${m.location.start.line} ${told}: ${m.replacement.replace(/\s+/g, " ").slice(0, 100)}`);
      }
    }
  }
  let measured = 0;
  let low = 0;
  for (const [folder, { count, left }] of [...folders].sort()) {
    const found = (count.Killed ?? 0) + (count.Timeout ?? 0);
    const all = found + left.length;
    if (all === 0) continue;
    measured += found;
    if (found < 0.85 * all) low++;
    console.log(
      `${folder}: ${((100 * found) / all).toFixed(1)} in 100, ${found} of ${all} found (${count.Timeout ?? 0} by running on), ${count.CompileError ?? 0} did not compile`,
    );
    if (left.length > 0) console.log(left.join("\n"));
  }
  if (measured === 0) console.log("nothing was measured");
  process.exit(measured === 0 || low > 0 ? 1 : 0);
}

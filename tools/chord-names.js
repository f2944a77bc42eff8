// Compares the chords that are named here with those of another library (npm: tonal 6.4.2), note by note, spelling
// included.
// usage: node tools/chord-names.js FOLDER_WITH_NODE_MODULES NAMES
const fs = require("fs");
const path = require("path");
const [folder, names] = process.argv.slice(2);
const { Chord } = require(path.resolve(folder, "node_modules/tonal"));
let same = 0;
let unknown = new Set();
const wrong = [];
const lines = fs.readFileSync(names, "utf8").replace(/\x1b\[[0-9;]*m/g, "").split("\n");
for (const line of lines.filter((l) => l.includes("\t"))) {
  const [name, notes] = line.split("\t");
  const theirs = Chord.get(name);
  if (theirs.empty) {
    unknown.add(name.replace(/^[A-G][b#]?/, ""));
    continue;
  }
  const sorted = (all) => [...new Set(all)].sort().join(" ");
  if (sorted(theirs.notes) === sorted(notes.split(" "))) same++;
  else wrong.push(`${name}: ${notes} here, ${theirs.notes.join(" ")} there`);
}
console.log(`${same} chords have the same notes in both; not known there: ${[...unknown].join(", ") || "none"}`);
if (wrong.length > 0 || same < 400) {
  console.error(wrong.join("\n"));
  process.exit(1);
}

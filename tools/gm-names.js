// Compares our names of General MIDI's programs and families with those of the npm package
// @tonejs/midi: node tools/gm-names.js FOLDER-OF-THE-PACKAGE FILE. Letters and digits count, case
// does not.
const fs = require("fs");
const path = require("path");
const [folder, file] = process.argv.slice(2);
const maps = require(path.resolve(folder, "dist/InstrumentMaps.js"));
const plain = (text) =>
  text.replace(/\x1b\[[0-9;]*m/g, "").toLowerCase().replace(/\((.*)\)/, "$1").replace(/[^a-z0-9]/g, "");
let differ = 0;
const lines = fs.readFileSync(file, "utf8").split("\n").filter((line) => line.includes("\t"));
lines.forEach((line, program) => {
  const [title, family] = line.split("\t");
  const theirs = maps.instrumentByPatchID[program];
  if (plain(title) !== plain(theirs)) {
    console.log(`${program}: ours ${title}, theirs ${theirs}`);
    differ++;
  }
  const theirFamily = maps.InstrumentFamilyByID[program >> 3];
  if (program % 8 === 0 && plain(family) !== plain(theirFamily)) {
    console.log(`family of ${program}: ours ${family}, theirs ${theirFamily}`);
    differ++;
  }
});
console.log(`${lines.length - differ} of ${lines.length} names the same`);
process.exit(lines.length === 128 && differ === 0 ? 0 : 1);

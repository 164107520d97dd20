// Writes docs/errors.md from the one list of refusals; a test holds the two together.
import { writeFileSync } from 'node:fs';
import { ERRORS } from '@zero-pour/contracts';

const rows = Object.entries(ERRORS).map(
  ([code, { status, sentence }]) => `| ${code} | ${status} | ${sentence} |`,
);
const head = `# Refusals

Every way in which Zero Pour says no, with the sentence that the user reads (blanks are filled in) and the HTTP status.
All have one shape: \`{ "error": { "code", "sentence" } }\`. Written from \`contracts/src/errors.ts\` by \`npx tsx scripts/errors.ts\`.

| code | status | sentence |
| --- | --- | --- |
`;
writeFileSync(new URL('../docs/errors.md', import.meta.url), `${head}${rows.join('\n')}\n`);

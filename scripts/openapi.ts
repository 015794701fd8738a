/** npm run openapi: writes the description of the API that /api/openapi.json serves. */
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { openApiDocument } from './openApiDocument';

const file = path.resolve(import.meta.dirname, '../src/api/openapi.json/description.json');
writeFileSync(file, `${JSON.stringify(await openApiDocument(), undefined, 1)}\n`);

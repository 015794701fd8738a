import { readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { Ajv2020 } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { planFileSchema } from '@/core/exchange/planFile';
import { planToFile } from '@/core/exchange/planToFile';
import { EXAMPLES } from '../../scripts/openApiExamples';
import { openApiDocument } from '../../scripts/openApiDocument';
import { NOW } from '../support/arbitraryPlan';
import { uuidPlan } from '../support/uuidPlan';

const served = JSON.parse(readFileSync('src/api/openapi.json/description.json', 'utf8')) as {
  paths: Record<
    string,
    Record<string, { operationId: string; summary?: string; parameters: { in?: string; name?: string }[] }>
  >;
};

test('the description that is served is the one that the routes give: npm run openapi writes it anew', async () => {
  expect(JSON.parse(JSON.stringify(await openApiDocument()))).toEqual(served);
});

// The schema of OpenAPI 3.1 as its authors publish it, out of @seriousme/openapi-schema-validator.
test('it is OpenAPI 3.1', async () => {
  const result = await new Validator().validate(structuredClone(served));
  expect(result.errors ?? []).toEqual([]);
  expect(result.valid).toBe(true);
});

test('every example is of an operation that there is', () => {
  const ids = Object.values(served.paths).flatMap((operations) => Object.values(operations).map(({ operationId }) => operationId)); // prettier-ignore
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of Object.keys(EXAMPLES)) expect(ids).toContain(id);
});

test('every operation has a sentence, and every part of an address is a parameter', () => {
  for (const [path, operations] of Object.entries(served.paths))
    for (const [method, { summary, parameters }] of Object.entries(operations)) {
      expect(summary, `${method} ${path}`).toMatch(/\.$/);
      const named = parameters.filter((p) => p.in === 'path').map(({ name }) => name);
      expect(named.sort(), `${method} ${path}`).toEqual([...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name).sort()); // prettier-ignore
    }
});

test('any plan that is saved is valid by the JSON Schema that is published, as Ajv reads it', () => {
  const ajv = new Ajv2020({ allErrors: true, strict: false });
  addFormats.default(ajv);
  const valid = ajv.compile(planFileSchema());
  fc.assert(
    fc.property(uuidPlan, fc.boolean(), (plan, outline) => {
      const { json } = planToFile(plan, { exported: NOW, outline, files: [] });
      expect(valid(JSON.parse(JSON.stringify(json))) || valid.errors).toBe(true);
    }),
    { numRuns: 60 },
  );
  expect(valid({ format: 'pembit-plan', version: 1 })).toBe(false);
});

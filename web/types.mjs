// Makes the types of the contract and of the tray schema. What the contract leaves to the tray schema - whole
// trays, briefs, foods - gets the types of that schema, so that a request and an answer are checked to their ends.
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import openapiTS, { astToString } from 'openapi-typescript'
import ts from 'typescript'

const documents = {
  TrayDocument: 'TrayFile',
  BriefDocument: 'Brief',
  RulesDocument: 'Rules',
  ElementDocument: 'TrayElement',
  FoodDocument: 'Food',
  SpecDocument: 'Spec',
  BoardDocument: 'Board',
  ReserveDocument: 'Reserve',
  VesselDocument: 'Vessel',
  BoardRequestDocument: 'BoardRequest',
}

const nodes = await openapiTS(new URL('../server/api/openapi.yaml', import.meta.url), {
  enumValues: true,
  inject: `import type { ${[...new Set(Object.values(documents))].sort().join(', ')} } from './tray.gen'\n`,
  transform(_, { path }) {
    const type = documents[path?.split('/').pop() ?? '']
    return type && path?.includes('components/schemas') ? ts.factory.createTypeReferenceNode(type) : undefined
  },
})
writeFileSync(
  new URL('src/api/contract.gen.ts', import.meta.url),
  `// Code generated from server/api/openapi.yaml; DO NOT EDIT.\n${astToString(nodes)}`,
)
const here = new URL('.', import.meta.url)
execFileSync(
  'npx',
  ['json2ts', '-i', '../docs/formats/tray.schema.json', '-o', 'src/api/tray.gen.ts', '--additionalProperties=false', '--maxItems=-1',
    '--ignoreMinAndMaxItems', '--bannerComment', '// Code generated from docs/formats/tray.schema.json; DO NOT EDIT.'],
  { cwd: here, stdio: 'inherit' },
)

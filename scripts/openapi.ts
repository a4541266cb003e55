/** The HTTP interface as an OpenAPI 3.1 document, from the schemas that requests and answers are checked with. */
import { toJsonSchema } from '@valibot/to-json-schema';
import type * as v from 'valibot';
import { AnalysisSchema, ErrorSchema, ProposeRequest, ProposeSchema, ScratchRequest, ScratchSchema } from '../src/core/answer';
import { DesignSchema, EditSchema } from '../src/core/design';

const shape = (schema: v.GenericSchema) => {
  const { $schema: _, ...rest } = toJsonSchema(schema, { errorMode: 'ignore', typeMode: 'input' }) as Record<string, unknown>;
  return rest;
};
const json = (schema: object) => ({ content: { 'application/json': { schema } } });
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const refusals = {
  '403': { description: 'from another site', ...json(ref('Error')) },
  '413': { description: 'larger than is taken', ...json(ref('Error')) },
  '422': { description: 'not understood: each problem names its place', ...json(ref('Error')) },
  '503': { description: 'took too long or too much memory and was given up', ...json(ref('Error')) },
};
const answers = (description: string, name: string) => ({ '200': { description, ...json(ref(name)) }, ...refusals });
const query = (name: string, of: readonly string[], description: string) => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { enum: of },
});

export const openapi = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Solenix',
    version: '1',
    description:
      "Currents A, volts V, lengths m, resistances ohm, temperatures degC, times s. null: no figure, or without end. Calculations support a competent person; local code, the maker's instructions and licensed practice come first.",
  },
  paths: {
    '/api/analyse': {
      post: {
        summary: 'Everything known of a design file; nothing is stored',
        parameters: [
          query('drawing', ['one line', 'both', 'earths', 'AC'], 'answers the line drawing as SVG too'),
          query('sheet', ['A3', 'A4', 'letter'], 'sheet of the drawing; A3 where none is named'),
        ],
        requestBody: { required: true, ...json(ref('Design')) },
        responses: answers('the analysis', 'Analysis'),
      },
    },
    '/api/propose': {
      post: {
        summary: 'The design with what is proposed of each part, and what that added; nothing is stored',
        requestBody: { required: true, ...json(ref('ProposeRequest')) },
        responses: answers('design and changes', 'Propose'),
      },
    },
    '/api/scratch': {
      post: {
        summary: 'A load and a distance in words, answered',
        requestBody: { required: true, ...json(ref('ScratchRequest')) },
        responses: answers('size, device, drop and working', 'Scratch'),
      },
    },
    '/api/boats/{id}/edits': {
      post: {
        summary: 'An edit of a boat on file: whole or not at all, once for each edit id',
        parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }],
        requestBody: {
          required: true,
          ...json({ type: 'object', properties: { edit: ref('Edit'), force: { type: 'boolean' } }, required: ['edit'] }),
        },
        responses: {
          '200': { description: 'applied' },
          '409': { description: 'a value moved on: conflicts', ...json({ type: 'object' }) },
          ...refusals,
        },
      },
    },
  },
  components: {
    schemas: {
      Design: shape(DesignSchema),
      Edit: shape(EditSchema),
      Analysis: shape(AnalysisSchema),
      ProposeRequest: shape(ProposeRequest),
      Propose: shape(ProposeSchema),
      ScratchRequest: shape(ScratchRequest),
      Scratch: shape(ScratchSchema),
      Error: shape(ErrorSchema),
    },
  },
});

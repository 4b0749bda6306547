import {
  applicationRecordBodySchema,
  applicationRecordSchema,
  companySchema,
  companyUpdateSchema,
  customerBodySchema,
  customerSchema,
  failureSchema,
  lawnBodySchema,
  lawnRevisionSchema,
  lawnSchema,
  lawnSummarySchema,
  photoBodySchema,
  photoSchema,
  readingBodySchema,
  readingSchema,
  reportAnswersSchema,
  reportBodySchema,
  reportSchema,
  seasonProgressSchema,
  sharedReportSchema,
  signInSchema,
  soilSampleBodySchema,
  soilSampleSchema,
  takeAlongSchema,
  userSchema,
  versioned,
  visitBodySchema,
  visitSchema,
  weatherBundleSchema,
  weatherImportResultSchema,
  weatherImportSchema,
} from '@alfombra/core';
import { z } from 'zod';
import { createDocument, type ZodOpenApiObject, type ZodOpenApiPathsObject } from 'zod-openapi';

interface Endpoint {
  method: 'get' | 'put' | 'post' | 'delete';
  path: string;
  summary: string;
  request?: z.ZodType;
  response?: z.ZodType;
  status?: number;
  open?: boolean;
}

const withVersion = (body: z.ZodType) =>
  z.intersection(body, z.object({ version: z.number().int().min(0) }));

/** Every endpoint of the server; the router's tests walk this list. */
export const endpoints: readonly Endpoint[] = [
  { method: 'get', path: '/api/openapi.json', summary: 'This description', open: true },
  {
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server and its database answer',
    response: z.object({ ok: z.boolean(), database: z.boolean() }),
    open: true,
  },
  {
    method: 'post',
    path: '/api/session',
    summary: 'Sign in; sets the session cookie',
    request: signInSchema,
    response: userSchema,
    open: true,
  },
  {
    method: 'get',
    path: '/api/session',
    summary: 'Who is signed in',
    response: userSchema,
  },
  { method: 'delete', path: '/api/session', summary: 'Sign out', status: 204 },
  {
    method: 'get',
    path: '/api/company',
    summary: 'The company, its clock and policy',
    response: companySchema,
  },
  {
    method: 'put',
    path: '/api/company',
    summary: 'Change clock and policy (owner)',
    request: companyUpdateSchema,
    response: companySchema,
  },
  {
    method: 'get',
    path: '/api/customers',
    summary: 'All customers',
    response: z.array(customerSchema),
  },
  {
    method: 'put',
    path: '/api/customers/{id}',
    summary: 'Write a customer',
    request: versioned(customerBodySchema),
    response: customerSchema,
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/samples',
    summary: 'Soil samples of a lawn, latest first, with the reports that are back',
    response: z.array(soilSampleSchema),
  },
  {
    method: 'put',
    path: '/api/samples/{id}',
    summary: 'Write a soil sample',
    request: withVersion(soilSampleBodySchema),
    response: soilSampleSchema,
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/photos',
    summary: 'Photos of a lawn, latest first',
    response: z.array(photoSchema),
  },
  {
    method: 'put',
    path: '/api/photos/{id}',
    summary: 'Announce a photo',
    request: withVersion(photoBodySchema),
    response: photoSchema,
  },
  {
    method: 'put',
    path: '/api/photos/{id}/bytes',
    summary: 'Send a piece of a photo, from ?start= on (application/octet-stream)',
    response: z.object({ received: z.number().int() }),
  },
  { method: 'get', path: '/api/photos/{id}/bytes', summary: 'The photo itself' },
  {
    method: 'get',
    path: '/api/lawns/{id}/reports',
    summary: 'Visit reports of a lawn with their links, latest first',
    response: z.array(reportSchema),
  },
  {
    method: 'put',
    path: '/api/reports/{id}',
    summary: 'Write a visit report; revoking it is a write as well',
    request: withVersion(reportBodySchema),
    response: reportSchema,
  },
  {
    method: 'get',
    path: '/api/stations/{id}/weather',
    summary: 'The year at a station as it stands on the company’s day',
    response: weatherBundleSchema,
  },
  {
    method: 'get',
    path: '/api/take-along',
    summary: 'Everything a phone needs where there is no signal',
    response: takeAlongSchema,
  },
  {
    method: 'get',
    path: '/api/shared/{token}',
    summary: 'A report, for the holder of its link',
    response: sharedReportSchema,
    open: true,
  },
  {
    method: 'post',
    path: '/api/shared/{token}/answers',
    summary: 'The customer’s answers',
    request: reportAnswersSchema,
    response: z.object({
      changes: z.array(
        z.object({
          questionId: z.uuid(),
          fact: z.string(),
          zoneId: z.uuid().nullable(),
          before: z.string(),
          after: z.string(),
        }),
      ),
    }),
    open: true,
  },
  {
    method: 'get',
    path: '/api/shared/{token}/photos/{photo}',
    summary: 'A photo of the report',
    open: true,
  },
  { method: 'get', path: '/api/shared/{token}/pdf', summary: 'The report as PDF', open: true },
  {
    method: 'get',
    path: '/api/lawns',
    summary: 'All lawns with what is due',
    response: z.array(lawnSummarySchema),
  },
  {
    method: 'get',
    path: '/api/lawns/progress',
    summary: 'How far the seasons of all lawns are worked out',
    response: seasonProgressSchema,
  },
  { method: 'get', path: '/api/lawns/{id}', summary: 'One lawn', response: lawnSchema },
  {
    method: 'put',
    path: '/api/lawns/{id}',
    summary: 'Write a lawn; the id is made by the client',
    request: versioned(lawnBodySchema),
    response: lawnSchema,
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/visits',
    summary: 'Visits of a lawn, latest first',
    response: z.array(visitSchema),
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/records',
    summary: 'Applications of a lawn, latest first',
    response: z.array(applicationRecordSchema),
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/readings',
    summary: 'Soil thermometer readings of a lawn, latest first',
    response: z.array(readingSchema),
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/weather',
    summary: 'The year at the lawn’s station as it stands today',
    response: weatherBundleSchema,
  },
  {
    method: 'get',
    path: '/api/lawns/{id}/revisions',
    summary: 'What moved in the lawn’s plan and what moved it, the newest first',
    response: z.array(lawnRevisionSchema),
  },
  {
    method: 'put',
    path: '/api/visits/{id}',
    summary: 'Write a visit',
    request: versioned(visitBodySchema),
    response: visitSchema,
  },
  {
    method: 'put',
    path: '/api/records/{id}',
    summary: 'Write an application record; it is checked, never refused for a limit',
    request: withVersion(applicationRecordBodySchema),
    response: applicationRecordSchema,
  },
  {
    method: 'put',
    path: '/api/readings/{id}',
    summary: 'Write a soil thermometer or pH reading',
    request: withVersion(readingBodySchema),
    response: readingSchema,
  },
  {
    method: 'post',
    path: '/api/stations/{id}/weather-csv',
    summary: 'Take daily weather from CSV in place of the stand-in’s days',
    request: weatherImportSchema,
    response: weatherImportResultSchema,
  },
];

const json = (schema: z.ZodType) => ({ 'application/json': { schema } });

/** The OpenAPI 3.1 document of the server, built from the same schemas that guard its edges. */
export function openApi(): ReturnType<typeof createDocument> {
  const paths: ZodOpenApiPathsObject = {};
  for (const { method, path, summary, request, response, status, open } of endpoints) {
    const names = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name as string);
    paths[path] = {
      ...paths[path],
      [method]: {
        summary,
        ...(names.length > 0
          ? {
              requestParams: {
                path: z.object(Object.fromEntries(names.map((name) => [name, z.string()]))),
              },
            }
          : {}),
        ...(open ? { security: [] } : {}),
        ...(request ? { requestBody: { required: true, content: json(request) } } : {}),
        responses: {
          [`${status ?? 200}`]: {
            description: 'Done',
            ...(response ? { content: json(response) } : {}),
          },
          default: { description: 'Anything else', content: json(failureSchema) },
        },
      },
    };
  }
  const document: ZodOpenApiObject = {
    openapi: '3.1.0',
    info: { title: 'Alfombra', version: '1' },
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'alfombra' } },
    },
    security: [{ session: [] }],
    paths,
  };
  return createDocument(document, {
    // What reads a text into something of its own (a calendar day) goes out as the text that came in.
    override: ({ zodSchema, jsonSchema, io }) => {
      const { def } = zodSchema._zod;
      if (io !== 'output' || def.type !== 'pipe' || Object.keys(jsonSchema).length > 0) return;
      const { $schema: _, ...written } = z.toJSONSchema((def as z.core.$ZodPipeDef).in, {
        io: 'input',
        unrepresentable: 'any',
      });
      Object.assign(jsonSchema, written);
    },
  });
}

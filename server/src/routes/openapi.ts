import { createDocument, type ZodOpenApiPathsObject } from 'zod-openapi';
import { ROUTES } from '.';

const paths = ROUTES.reduce<ZodOpenApiPathsObject>(
  (found, { method, path, told }) => ({ ...found, [path]: { ...found[path], [method]: told } }),
  {},
);

/** The API's description, made from the routes and from the schemas that check them. OpenAPI 3.1. */
export const openApiDocument = (): ReturnType<typeof createDocument> =>
  createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Ogee jobs',
      version: '1',
      description: 'Jobs as files of format `ogee-job`, every revision kept. Lengths in mm.',
    },
    paths,
  });

import { z } from 'zod';
import { pageQuery } from '@/data/page';
import { readCsvFile, readHodmanFile, readJsonLdFile } from '@/data/repositories/recipe-files';

export const dynamic = 'force-dynamic';

const asked = z.object({
  kind: z.enum(['hodman', 'jsonld', 'csv']),
  recipe: z.coerce.number().int().positive().optional(),
});

/** Recipes as a file: Hodman's own, schema.org JSON-LD, or a table of lines. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const query = asked.safeParse({
    kind: searchParams.get('kind') ?? undefined,
    recipe: searchParams.get('recipe') ?? undefined,
  });
  if (!query.success) return new Response('There is no such file.', { status: 404 });
  return fileOf(query.data);
}

const fileOf = pageQuery(async ({ db, reference, household, today }, { kind, recipe }: z.infer<typeof asked>) => {
  const name = `recipes-${today}`;
  const file = (body: string, type: string, ending: string) =>
    new Response(body, {
      headers: {
        'content-type': `${type}; charset=utf-8`,
        'content-disposition': `attachment; filename="${name}.${ending}"`,
      },
    });
  if (kind === 'csv') return file(await readCsvFile(db, reference, recipe), 'text/csv', 'csv');
  if (kind === 'jsonld') {
    const recipes = await readJsonLdFile(db, reference, household.energyFactors, recipe);
    const body = recipes.length === 1 ? recipes[0] : recipes;
    return file(JSON.stringify(body, null, 2), 'application/ld+json', 'jsonld.json');
  }
  return file(JSON.stringify(await readHodmanFile(db, reference, recipe), null, 2), 'application/json', 'hodman.json');
});

import { namingInstead, originOf, type PlanInput, type Preview, type PreviewItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { nativeHash } from '../courses/nativeHash.js';
import type { BodyRow } from '../database/entities/item.js';
import { VALUES } from '../database/lists.js';

/** A preview with texts of its own, and those that have to be kept for it. */
interface WithTexts {
  readonly preview: Preview;
  readonly texts: readonly string[];
}

/** Writes the texts in which links to what stays become plain words; the preview alone knows no texts. */
export async function withPlainTexts(manager: EntityManager, input: PlanInput, preview: Preview): Promise<WithTexts> {
  const isMeant = ({ plainWords, bodyHash }: PreviewItem): boolean =>
    plainWords !== undefined && bodyHash !== undefined;
  const meant = preview.items.filter(isMeant);
  if (meant.length === 0) return { preview, texts: [] };
  const rows = await manager.query<BodyRow[]>(`SELECT hash, text FROM body WHERE hash IN ${VALUES}`, [
    JSON.stringify(meant.map(({ bodyHash }) => bodyHash)),
  ]);
  const stored = new Map(rows.map(({ hash, text }) => [hash, text]));
  const titles = new Map(input.source.items.map(({ id, title }) => [id, title]));
  const texts: string[] = [];
  const items = preview.items.map((item): PreviewItem => {
    const text = isMeant(item) ? stored.get(item.bodyHash!) : undefined;
    if (text === undefined) return item;
    const { course } = originOf(input, item.from!);
    const targets = new Map(
      item.plainWords!.flatMap((id) => {
        const origin = originOf(input, id);
        return origin.course === course ? [[origin.item, titles.get(id)] as const] : [];
      }),
    );
    const plain = namingInstead(text, course, (key) => targets.get(key));
    texts.push(plain);
    return { ...item, bodyHash: nativeHash(plain) };
  });
  return { preview: { ...preview, items }, texts };
}

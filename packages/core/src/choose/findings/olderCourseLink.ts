import { addressesIn, courseAddressed, hostOf, segmentsOf } from '../../words/text/addresses.js';
import type { FindingContext, FindingRule } from './finding.js';

/** A link into a course of this system that is neither this one nor its destination. */
export const olderCourseLink: FindingRule = (context) => {
  const { source, shell, isCourse } = context;
  const own = new Set([source.course.course.id, shell.course.course.id]);
  const isOurs = ourHosts(context);
  return source.items.flatMap((item) => {
    if (item.kind === 'courseSettings') return [];
    const url = typeof item.details?.url === 'string' ? [item.details.url] : [];
    const addresses = [
      ...source.bodiesOf(item).flatMap((body) => addressesIn(body).map(({ address }) => address)),
      ...url,
    ];
    const older = [
      ...(item.links ?? []).flatMap(({ course }) => course ?? []),
      ...addresses.flatMap((address) => courseAddressed(address, isCourse, isOurs) ?? []),
    ].find((course) => !own.has(course));
    if (older === undefined) return [];
    return [{ item: item.id, finding: 'olderCourseLink', evidence: `leads into ${older}`, default: 'bring' }];
  });
};

/** Hosts on which an address of the course leads into the course itself. */
function ourHosts({ source, shell }: FindingContext): (host: string) => boolean {
  const own = [source.course.course.id, shell.course.course.id];
  const hosts = new Set<string>();
  for (const item of source.items)
    for (const body of source.bodiesOf(item))
      for (const { address } of addressesIn(body)) {
        const host = hostOf(address);
        if (host !== undefined && segmentsOf(address).some((segment) => own.includes(segment))) hosts.add(host);
      }
  return (host) => hosts.has(host);
}

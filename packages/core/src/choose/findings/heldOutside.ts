import type { Finding, SourceRule } from './finding.js';

/** A tool link with an outside course id, and what launches it: it leads to last term's learners. */
export const heldOutside: SourceRule = ({ source }) => {
  const findings: Finding[] = [];
  for (const tool of source.items) {
    const outside = tool.details?.outsideCourseId;
    if (tool.kind !== 'toolLink' || outside === undefined || outside === '') continue;
    const service = typeof tool.details?.service === 'string' ? ` at ${tool.details.service}` : '';
    const evidence = `outside course ${String(outside)}${service}`;
    findings.push({ item: tool.id, finding: 'heldOutside', evidence, default: 'leave' });
    for (const { from, link } of source.linksTo(tool.id))
      if (link.type === 'launches')
        findings.push({
          item: from.id,
          finding: 'heldOutside',
          evidence: `opens “${tool.title}”, ${evidence}`,
          default: 'leave',
        });
  }
  return findings;
};

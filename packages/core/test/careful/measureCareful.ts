import { doubtCauses } from '../../src/retime/causes.js';
import type { DoubtfulMoment } from '../../src/retime/doubt.js';
import { isDoubtful } from '../../src/names/flags.js';
import { retime } from '../../src/retime/retime.js';
import { proposePolicy } from '../../src/retime/suggestPolicy.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import type { CarefulDate, CarefulPair } from './carefulPair.js';

/** How well the proposal does what a careful teacher would, for one pair. */
export interface Careful {
  readonly name: string;
  readonly rule: string;
  readonly dates: number;
  /** Elsewhere than the teacher would put it, and nothing said so. */
  readonly silentlyWrong: readonly string[];
  /** Where the teacher would put it, and asked about all the same. */
  readonly doubtedWithoutNeed: readonly string[];
  /** Lines that a person reads, and how many causes a person would count. */
  readonly lines: number;
  readonly causes: number;
  /** Of the doubted dates that stand wrong: those that an offer of their cause puts right. */
  readonly settled: number;
  readonly toSettle: number;
}

const GRADED = ['quiz', 'assignment', 'discussion'];

/** Retimes a pair by what is proposed for it and holds the result against what was written down. */
export function measureCareful(pair: CarefulPair): Careful {
  const { policy } = proposePolicy(pair.source, pair.destination);
  const moments = pair.dates.map(({ title, kind, role, from }, at): RetimeMoment => ({
    id: `m${at}`,
    item: title,
    role,
    at: from,
    kind,
    graded: GRADED.includes(kind),
  }));
  const result = retime({ source: pair.source, destination: pair.destination, policy, moments });
  if (!result.ok) throw new Error(`${pair.name}: ${JSON.stringify(result.problems)}`);
  const dates = result.value.map((each, at): DoubtfulMoment => ({
    ...each,
    kind: pair.dates[at]!.kind,
    title: pair.dates[at]!.title,
    item: pair.dates[at]!.title,
  }));
  const causes = doubtCauses([{ source: pair.source, destination: pair.destination, policy, moments: dates }]);
  const offered = new Map<string, string[]>();
  for (const { settlements } of causes)
    for (const { dates: to } of settlements)
      for (const [id, at] of Object.entries(to)) offered.set(id, [...(offered.get(id) ?? []), at]);
  const silentlyWrong: string[] = [];
  const doubtedWithoutNeed: string[] = [];
  let toSettle = 0;
  let settled = 0;
  pair.dates.forEach((wanted, at) => {
    const { to, flags, id } = dates[at]!;
    const isRight = to !== null && wanted.fits(to);
    const isDoubted = isDoubtful(flags);
    const said = `${sayDate(wanted)} → ${to}, wanted ${wanted.wanted}`;
    if (!isRight && !isDoubted) silentlyWrong.push(said);
    if (isRight && isDoubted && !wanted.isOpen) doubtedWithoutNeed.push(`${said} (${flags.join(' ')})`);
    if (isRight || !isDoubted) return;
    toSettle++;
    if ((offered.get(id) ?? []).some(wanted.fits)) settled++;
  });
  return {
    name: pair.name,
    rule: policy.rule,
    dates: dates.length,
    silentlyWrong,
    doubtedWithoutNeed,
    lines: causes.length,
    causes: pair.causes,
    settled,
    toSettle,
  };
}

const sayDate = ({ title, role, from }: CarefulDate): string => `${title} ${role} ${from}`;

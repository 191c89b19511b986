import {
  fail,
  planCourses,
  planJobProblems,
  propose,
  proposeJobProblems,
  refresh,
  refreshJobProblems,
  retime,
  succeed,
  type Result,
} from '@yarin/core';
import { planJobSchema, proposeJobSchema, refreshJobSchema, retimeJobSchema } from '@yarin/core/schemas';
import { validator } from '@yarin/formats';

/** A headless command: takes parsed JSON, answers with what is printed or with problems. */
type Command = (input: unknown) => Result<unknown>;

const checkRetimeJob = validator(retimeJobSchema);

function retimeCommand(input: unknown): Result<unknown> {
  const job = checkRetimeJob(input);
  if (!job.ok) return job;
  const result = retime(job.value);
  return result.ok ? succeed({ moments: result.value }) : result;
}

const checkProposeJob = validator(proposeJobSchema);

function proposeCommand(input: unknown): Result<unknown> {
  const job = checkProposeJob(input);
  if (!job.ok) return job;
  const problems = proposeJobProblems(job.value);
  return problems.length > 0 ? fail(problems) : succeed(propose(job.value));
}

const checkPlanJob = validator(planJobSchema);

function planCommand(input: unknown): Result<unknown> {
  const job = checkPlanJob(input);
  if (!job.ok) return job;
  const problems = planJobProblems(job.value);
  return problems.length > 0 ? fail(problems) : planCourses(job.value);
}

const checkRefreshJob = validator(refreshJobSchema);

function refreshCommand(input: unknown): Result<unknown> {
  const job = checkRefreshJob(input);
  if (!job.ok) return job;
  const problems = refreshJobProblems(job.value);
  if (problems.length > 0) return fail(problems);
  const proposals = refresh(job.value);
  return proposals.ok ? succeed({ proposals: proposals.value }) : proposals;
}

/** The headless commands by name; a new one is a line here. */
export const COMMANDS: Readonly<Record<string, Command>> = {
  retime: retimeCommand,
  plan: planCommand,
  propose: proposeCommand,
  refresh: refreshCommand,
};

import { Type, type Static } from '@sinclair/typebox';
import { policySchema, weekdayMapSchema } from './retimeJob.js';

/** How a plan moves dates: a policy, and in a shell that several sections share a class-day map for each. */
export const planPolicySchema = Type.Object({
  ...policySchema.properties,
  sections: Type.Optional(
    Type.Record(Type.String(), weekdayMapSchema, {
      description: 'Of a shell that several sections share: by section, the class-day map of its dates.',
    }),
  ),
});
export type PlanPolicy = Static<typeof planPolicySchema>;

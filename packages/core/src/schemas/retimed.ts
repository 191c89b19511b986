import { Type } from '@sinclair/typebox';
import { FLAGS } from '../names/flags.js';
import { momentAtSchema } from './calendar.js';
import { roleSchema } from './retimeJob.js';

/** What `yarin retime` prints. */
export const retimedSchema = Type.Object(
  {
    moments: Type.Array(
      Type.Object({
        id: Type.String(),
        role: roleSchema,
        from: momentAtSchema,
        to: Type.Union([momentAtSchema, Type.Null()]),
        rule: Type.String(),
        steps: Type.Array(Type.Object({ step: Type.String() })),
        flags: Type.Array(Type.Union(FLAGS.map((flag) => Type.Literal(flag)))),
      }),
    ),
  },
  { $id: 'retimed', title: 'Retimed moments' },
);

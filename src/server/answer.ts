/** An edit's result as an answer, told to the other windows when it stands. */
import type { EditResult } from './history';
import { tell } from './live';
import { refuse } from './request';

export function answerEdit(boatId: string, result: EditResult): Response {
  if (result.ok) {
    tell(boatId);
    return Response.json(result.record);
  }
  switch (result.reason) {
    case 'missing':
      return refuse(404, 'there is no such boat');
    case 'nothing':
      return refuse(409, 'there is nothing to take back');
    case 'damaged':
      return refuse(422, result.problem);
    case 'conflict': {
      const { label, ops, conflicts } = result;
      return Response.json({ error: 'changed in another window', label, ops, conflicts }, { status: 409 });
    }
    case 'invalid':
      return refuse(422, `${result.problems[0]?.where ?? 'edit'}: ${result.problems[0]?.message ?? 'not understood'}`, result.problems);
  }
}

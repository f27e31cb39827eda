import { jsonReply } from '@/app/edge';
import { BODY_LIMITS } from '@/server/doors';
import { lookAtWording } from '@/server/usecases/plans/wording';

/** Looks at words while they are typed: by itself, so that nothing that is being saved waits for it, and what was typed since breaks it off. */
export function POST(request: Request): Promise<Response> {
  return jsonReply(request, BODY_LIMITS.personal, lookAtWording);
}

import { jsonReply } from '@/app/edge';
import { BODY_LIMITS } from '@/server/doors';
import { markSign } from '@/server/usecases/signs/markSigns';

/** Takes a stop sign as JSON the moment it is marked in class, or whenever the network is back. */
export function POST(request: Request): Promise<Response> {
  return jsonReply(request, BODY_LIMITS.form, markSign);
}

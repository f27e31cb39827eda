import { jsonReply } from '@/app/edge';
import { BODY_LIMITS } from '@/server/doors';
import { logClass } from '@/server/usecases/teach/logClass';

/** Takes a class log as JSON, so that a device can send it whenever the network is back. */
export function POST(request: Request): Promise<Response> {
  return jsonReply(request, BODY_LIMITS.form, logClass);
}

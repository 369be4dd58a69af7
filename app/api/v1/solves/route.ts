import { requestSolve, solveJobs, stopSolve } from '@/services/index';
import { answer, bodyOf, respond } from '../../respond.server';
import { idSchema, solveSchema } from '../../schemas';

/** What is being solved on the server, and how far. */
export async function GET() {
  return respond(async () => Response.json(await solveJobs()));
}

/** Asks for a level to be solved on a server; whichever is free takes it. */
export async function POST(request: Request) {
  return respond(async () => {
    const { beatId, level } = await bodyOf(request, solveSchema);
    return answer(await requestSolve(beatId, level));
  });
}

/** Stops the solve of `?hash=`, or takes it off the list of waiting ones. */
export async function DELETE(request: Request) {
  return respond(async () =>
    answer(await stopSolve(await idSchema.validate(new URL(request.url).searchParams.get('hash')))),
  );
}

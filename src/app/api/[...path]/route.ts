import { problem } from '@/api/problem';
import { answerApi } from '@/api/routes';

/**
 * The one route of the API: what answers an address stands in `src/api`, in a folder of that name. A route for each would have
 * Next bundle what they share some two hundred times.
 */
const answer = async (request: Request): Promise<Response> =>
  (await answerApi(request)) ?? problem('notFound');

export { answer as GET, answer as POST, answer as PUT, answer as DELETE };

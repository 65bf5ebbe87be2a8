import { serve } from "../serve";

export const POST = (request: Request): Promise<Response> => serve(request, "compare");

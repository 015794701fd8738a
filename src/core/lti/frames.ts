/** The header by which the process tells the pages whose frames may show them: origins, with spaces between. */
export const FRAMES = 'x-pembit-frames';

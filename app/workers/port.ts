/** The page's end of a worker, as the worker's own thread sees it: the types of this tree are a window's, where `self` is none. */
export const port = self as unknown as Worker;

/** Stands in for a package the recogniser brings for browsers that have no blobs of their own; all that Fenwix runs in have. */
export const { Blob } = globalThis;

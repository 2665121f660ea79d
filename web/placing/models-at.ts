/** Where the acoustic models are served, by the version of the package they come with: they are kept for good. */
export const modelsAt = '/assets/models/0.6.3';

/**
 * Gives styles that libraries put into the page the page's own nonce, so that the content security
 * policy can stay strict. Ant Design Vue has no way of its own to do so.
 */
export const nonce = document.querySelector<HTMLElement>('script[nonce], link[nonce], meta[nonce]')?.nonce ?? '';

// oxlint-disable-next-line typescript/no-deprecated -- only the overload for unknown element names is
const create = document.createElement.bind(document);
// oxlint-disable-next-line typescript/no-deprecated -- the same
document.createElement = (name: string, options?: ElementCreationOptions) => {
  const element = create(name, options);
  if (name === 'style') element.setAttribute('nonce', nonce);
  return element;
};

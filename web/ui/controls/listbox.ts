/** Puts the roles of Ant's select right: what it draws is patched here each time it has drawn. */

function set(of: Element, name: string, to: string | null): void {
  // Only what differs: every change calls whoever watches for changes.
  if (of.getAttribute(name) === to) return;
  if (to === null) of.removeAttribute(name);
  else of.setAttribute(name, to);
}

interface Named {
  readonly id: string;
  readonly label: string;
}

/**
 * The input is a combobox with a name, which points at the visible list and at its active entry while there is one.
 * @param popup the sheet the list stands on; null while it is closed
 */
export function nameList(input: Element, popup: Element | null, { id, label }: Named): void {
  const list = popup?.querySelector('.rc-virtual-list-holder-inner') ?? null;
  const active = list?.querySelector('.ant-select-item-option-active') ?? null;
  set(input, 'aria-label', label);
  set(input, 'aria-expanded', String(list !== null));
  set(input, 'aria-autocomplete', 'list');
  set(input, 'aria-owns', null);
  set(input, 'aria-controls', list ? id : null);
  set(input, 'aria-activedescendant', active?.id ?? null);
  if (!list || !popup) return;
  set(list, 'role', 'listbox');
  set(list, 'id', id);
  set(list, 'aria-label', label);
  // More entries than fit are scrolled to by arrows; axe wants a way in besides.
  const holder = list.closest('.rc-virtual-list-holder');
  if (holder) set(holder, 'tabindex', holder.scrollHeight > holder.clientHeight ? '0' : null);
  // The hidden list of three that stands for the visible one.
  const stand = list.closest('.rc-virtual-list')?.previousElementSibling;
  if (!stand) return;
  for (const part of [stand, ...stand.children])
    for (const name of ['role', 'id', 'aria-selected', 'aria-label']) set(part, name, null);
  set(stand, 'aria-hidden', 'true');
}

/** The visible entries are options with ids. */
export function nameOptions(popup: Element, id: string): void {
  [...popup.querySelectorAll('.rc-virtual-list-holder-inner > .ant-select-item')].forEach((entry, i) => {
    set(entry, 'role', 'option');
    set(entry, 'id', `${id}-${String(i)}`);
    set(entry, 'aria-selected', String(entry.classList.contains('ant-select-item-option-selected')));
    set(entry, 'aria-disabled', entry.classList.contains('ant-select-item-option-disabled') ? 'true' : null);
  });
}

/** What of a page cannot be got at: controls that stand outside it or under something else, and what scrolls sideways. */
import type { WebDriver } from './browser.ts';

/**
 * A line for each fault. Every control is brought into sight first, as the keyboard would bring it.
 * @param mayScroll parts that scroll sideways on purpose, as a selector: tables of many columns, files as they are
 */
export const outOfReach = (driver: WebDriver, mayScroll: string): Promise<string[]> =>
  driver.executeScript<string[]>(
    `const sideways = [...document.querySelectorAll('*')]
       .filter((e) => e.scrollWidth > e.clientWidth + 1 && /auto|scroll/.test(getComputedStyle(e).overflowX) && !e.matches(arguments[0]))
       .map((e) => e.className + ' scrolls sideways');
     if (document.documentElement.scrollWidth > innerWidth) sideways.push('the page scrolls sideways');
     const controls = [...document.querySelectorAll('button, a[href], input, [role=combobox], [role=slider], label, h1, h2')]
       .filter((e) => e.checkVisibility({ visibilityProperty: true }) && !e.closest('.visually-hidden, [aria-hidden=true]'));
     return sideways.concat(controls.flatMap((e) => {
       const name = (e.innerText || e.ariaLabel || e.className).trim().slice(0, 40);
       e.scrollIntoView({ block: 'center', inline: 'center' });
       const box = e.getBoundingClientRect();
       if (box.width < 2 || box.height < 2) return [];
       const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
       if (box.left < -1 || box.right > innerWidth + 1) return e.closest(arguments[0]) ? [] : [name + ' stands outside the page'];
       const at = document.elementFromPoint(x, y);
       // A field is several boxes over each other.
       const field = e.closest('.ant-select, label');
       return at && (e.contains(at) || at.contains(e) || field?.contains(at)) ? [] : [name + ' is under ' + (at?.className ?? 'nothing')];
     }));`,
    mayScroll,
  );

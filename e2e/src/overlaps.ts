/**
 * Run in the page: targets that cannot be touched where they are, because another lies over them, and pairs of targets
 * that share some of their room. Each in words.
 */
export const OVERLAPS = `
  const nameOf = (one) => (one.getAttribute('aria-label') || one.textContent || one.name || one.tagName).trim().replace(/\\s+/g, ' ').slice(0, 50);
  const scrollerOf = (one) => {
    for (let up = one.parentElement; up; up = up.parentElement)
      if (/auto|scroll/.test(getComputedStyle(up).overflowY)) return up;
    return document.documentElement;
  };
  const stuck = (one) => {
    for (let up = one; up; up = up.parentElement)
      if (/sticky|fixed/.test(getComputedStyle(up).position)) return true;
    return false;
  };
  const targets = [...document.querySelectorAll('button, a[href], input, select, textarea, summary')].filter((one) => {
    const { width, height } = one.getBoundingClientRect();
    return width > 2 && height > 2 && one.checkVisibility({ visibilityProperty: true }) && !one.closest('.sr-only');
  });
  const wrong = [];
  for (const one of targets) {
    one.scrollIntoView({ block: 'center', inline: 'nearest' });
    const { left, top, width, height } = one.getBoundingClientRect();
    const over = document.elementFromPoint(left + width / 2, top + height / 2);
    const same = over && (one.contains(over) || over.contains(one) || over.closest('label')?.contains(one) || over.closest('label')?.htmlFor === one.id);
    if (!same) wrong.push(nameOf(one) + ' lies under ' + (over ? nameOf(over) : 'nothing'));
  }
  const still = targets.filter((one) => !stuck(one)).map((one) => ({ one, box: one.getBoundingClientRect(), in: scrollerOf(one) }));
  still.forEach((a, i) => still.slice(i + 1).forEach((b) => {
    if (a.in !== b.in || a.one.contains(b.one) || b.one.contains(a.one)) return;
    const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
    const high = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
    if (wide > 2 && high > 2) wrong.push(nameOf(a.one) + ' and ' + nameOf(b.one) + ' share ' + wide.toFixed(0) + ' x ' + high.toFixed(0) + ' px');
  }));
  return wrong;
`;

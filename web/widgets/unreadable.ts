/** Marks a field whose text cannot be read as what it should be; forms look for it before they save. */
const UNREADABLE = 'data-unreadable';

/** What a field belongs to: its own form, else the popover or dialog it is in, else the page. */
const FORMS = '[data-form], .ant-popover, .ant-modal, main';

/**
 * The first field that cannot be read in the form somebody is in, focused; null when all can. Every Save asks this
 * first, so that what was typed is never answered with an older value.
 */
export function focusUnreadable(from: Element | null = document.activeElement): HTMLElement | null {
  const form = from?.closest(FORMS) ?? document.querySelector('main') ?? document.body;
  const field = form.querySelector<HTMLElement>(`[${UNREADABLE}="true"]`);
  field?.focus();
  return field;
}

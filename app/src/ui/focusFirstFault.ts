/** After a form was refused: the cursor goes to the first field that says what is wrong, sheet before page. */
export function focusFirstFault(): void {
  requestAnimationFrame(() => {
    const place = document.querySelector('[role="dialog"]') ?? document.querySelector('main');
    place?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  });
}

/** Puts a text where it can be pasted from; false where the browser does not let it. Without a secure connection the older way is all there is. */
export async function copyText(text: string): Promise<boolean> {
  const { clipboard }: Partial<Navigator> = navigator;
  if (clipboard) return clipboard.writeText(text).then(
      () => true,
      () => false,
    ); // prettier-ignore
  const area = document.createElement('textarea');
  area.value = text;
  area.setAttribute('aria-hidden', 'true');
  area.className = 'fixed top-0 left-0 opacity-0';
  const focused = document.activeElement;
  (focused?.closest('[role=dialog]') ?? document.body).append(area); // a dialog that holds the focus keeps it
  area.select();
  const copied = document.execCommand('copy');
  area.remove();
  if (focused instanceof HTMLElement) focused.focus();
  return copied;
}

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };

/** Text as it stands in HTML, in an attribute as well. */
export const esc = (said: string): string => said.replace(/[&<>"']/g, (sign) => ESCAPES[sign]!);

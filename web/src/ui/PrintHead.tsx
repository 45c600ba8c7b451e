import { useEffect } from 'react';

interface PrintHeadProps {
  /** What stands at the head of each page, such as the company and the span. */
  left: string;
  right: string;
}

/** Text as a string of a style sheet. */
function quoted(text: string): string {
  return `"${text.replace(/["\\\n<]/g, ' ')}"`;
}

/**
 * The head and the page number of each printed page. Margin boxes are the only thing that a browser
 * repeats on every page, and they take their text from a style sheet alone; one that is built here
 * is let through by the content policy, which refuses style elements.
 */
export function PrintHead({ left, right }: PrintHeadProps) {
  const rules = `@page {
    margin: 18mm 12mm 16mm;
    @top-left { content: ${quoted(left)}; font: 600 9pt sans-serif; color: #1d2433; }
    @top-right { content: ${quoted(right)}; font: 9pt sans-serif; color: #5d6678; }
    @bottom-right { content: "Page " counter(page) " of " counter(pages); font: 9pt sans-serif; color: #5d6678; }
  }`;
  useEffect(() => {
    if (!('adoptedStyleSheets' in document)) return undefined;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(rules);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
    };
  }, [rules]);
  return null;
}

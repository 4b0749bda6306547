import type { ReactElement, ReactNode } from 'react';

/** The router's link where a test has no router: an anchor with its address. */
export function Link({
  href,
  children,
}: {
  href: string | { pathname: string };
  children: ReactElement<{ children: ReactNode; testID?: string }>;
}) {
  return (
    <a href={typeof href === 'string' ? href : href.pathname} data-testid={children.props.testID}>
      {children.props.children}
    </a>
  );
}

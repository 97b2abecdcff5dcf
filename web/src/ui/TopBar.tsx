import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import { useLocation } from 'react-router';
import styled from 'styled-components';

const PLACES = [
  { href: '/', name: 'Jobs' },
  { href: '/shared', name: 'Shared sheets' },
  { href: '/shelf', name: 'Shelf' },
  { href: '/calendar', name: 'Calendar' },
  { href: '/workshop', name: 'Workshop' },
] as const;

/** A thing in hand is still in its place. */
const isIn = (pathname: string, href: string): boolean =>
  pathname === href || (href !== '/' && pathname.startsWith(`${href}/`));

export function TopBar({ children }: { readonly children?: ReactNode }): ReactNode {
  const { pathname } = useLocation();
  return (
    <Bar>
      <Link href="/" className="home" aria-label="Zippy Crease: all jobs">
        <img src="/mark.svg" alt="" width={28} height={28} />
        <span>Zippy Crease</span>
      </Link>
      <nav aria-label="Places">
        {PLACES.map(({ href, name }) => (
          <Link key={href} href={href} aria-current={isIn(pathname, href) ? 'page' : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      {children}
    </Bar>
  );
}

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: ${({ theme }) => theme.size.headerPx}px;
  padding: 4px 16px;
  background: ${({ theme }) => theme.colour.linen};
  .home {
    display: flex;
    align-items: center;
    gap: 9px;
    padding: 2px 4px;
    border-radius: 6px;
    font-weight: 700;
    text-decoration: none;
    white-space: nowrap;
  }
  nav {
    display: flex;
    gap: 2px;
  }
  nav > a {
    padding: 6px 10px;
    border-radius: 6px;
    text-decoration: none;
  }
  nav > a[data-hovered] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
  @media (max-width: 900px) {
    gap: 6px;
    nav {
      gap: 0;
      font-size: 15px;
    }
    nav > a {
      padding: 6px;
    }
    .home span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
  nav > a[aria-current] {
    box-shadow: inset 0 -3px 0 ${({ theme }) => theme.colour.marigold};
    border-radius: 0;
  }
`;

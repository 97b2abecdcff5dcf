import { createGlobalStyle } from 'styled-components';

export const GlobalStyle = createGlobalStyle`
  *, *::before, *::after { box-sizing: border-box; }
  html, body, #root { height: 100%; }
  body {
    margin: 0;
    background: ${({ theme }) => theme.colour.linen};
    color: ${({ theme }) => theme.colour.ink};
    font: 16px/1.45 ${({ theme }) => theme.font.text};
    -webkit-font-smoothing: antialiased;
  }
  h1, h2, h3, p { margin: 0; }
  button, input, textarea, select { font: inherit; color: inherit; }
  :focus { outline: none; }
  :focus-visible, [data-focus-visible] {
    outline: 3px solid ${({ theme }) => theme.colour.marigold};
    outline-offset: 1px;
    box-shadow: 0 0 0 1px ${({ theme }) => theme.colour.ink};
  }
  a { color: inherit; }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition: none !important; animation: none !important; }
  }
`;

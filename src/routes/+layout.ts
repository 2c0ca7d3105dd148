// Everything lives in the browser: the server sends the shell only.
export const ssr = false;
export const prerender = false;

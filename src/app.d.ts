declare global {
  const __APP_VERSION__: string;
}

export {};

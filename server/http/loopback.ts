/** Whether it asks from the computer the server runs on. */
export const isLoopback = (address = ''): boolean => /^(::1$|(::ffff:)?127\.)/.test(address);

/** What the browser keeps the store under; apart, so that who asks whether it is there need not read all of it. */
export const STORE_NAME = 'vumble';

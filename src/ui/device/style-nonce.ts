'use client'
import { setNonce } from 'get-nonce'

/** Sheets lock the page behind them by a style of their own making: it bears this page's nonce, as the policy asks. */
if (typeof document !== 'undefined') {
  const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce
  if (nonce) setNonce(nonce)
}

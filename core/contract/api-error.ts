/** The one error of both sides: a code for programs, a sentence for people. */
import type { Since } from '../model/logged.ts';
import { isErrorCode, statusOf, type ErrorCode } from './error-codes.ts';

/** What some codes carry besides; all others carry null. */
export interface ErrorDetails {
  readonly behind: Since;
  readonly 'not-understood': readonly string[];
  readonly 'style-faults': readonly string[];
}

export type DetailsOf<C extends ErrorCode> = C extends keyof ErrorDetails ? ErrorDetails[C] : null;

/** As it travels. */
export interface ErrorBody {
  readonly code: ErrorCode;
  readonly message: string;
  readonly details: unknown;
}

export class ApiError<C extends ErrorCode = ErrorCode> extends Error {
  override readonly name = 'ApiError';
  readonly code: C;
  /** HTTP status; 0 where no server answered. */
  readonly status: number;
  readonly details: DetailsOf<C> | null;

  /** @param message a sentence: what happened, what is safe, what to do */
  constructor(code: C, message: string, details: DetailsOf<C> | null = null, status: number = statusOf[code]) {
    super(message);
    this.code = code;
    this.status = status;
    this.details = details;
  }

  toBody(): ErrorBody {
    return { code: this.code, message: this.message, details: this.details };
  }
}

/** Whether something thrown is the error of this code. */
export const hasCode = <C extends ErrorCode>(error: unknown, code: C): error is ApiError<C> =>
  error instanceof ApiError && error.code === code;

/**
 * The error an unhappy answer stands for.
 * @param status of the answer
 * @param body whatever came; an answer in no form of ours is `unexpected`
 */
export function errorOf(status: number, body: unknown): ApiError {
  const said = (typeof body === 'object' && body !== null ? body : {}) as Partial<Record<keyof ErrorBody, unknown>>;
  const code = isErrorCode(said.code) ? said.code : 'unexpected';
  const message =
    typeof said.message === 'string' && said.message !== ''
      ? said.message
      : 'The server answered in a way that was not expected. What was kept is safe.';
  return new ApiError(code, message, (said.details ?? null) as never, status);
}

/** A sentence for whatever was thrown. */
export const sentence = (error: unknown): string => (error instanceof Error ? error.message : String(error));

import {
  QueryObserver,
  useQueryClient,
  type QueryObserverOptions,
  type QueryObserverResult,
} from "@tanstack/react-query";
import { startTransition, useEffect, useState } from "react";

/**
 * A query whose answers are drawn when the keys leave time: a large page that follows what is typed never keeps the next key
 * waiting.
 */
export function useQueryCalmly<T>(options: QueryObserverOptions<T>): QueryObserverResult<T> {
  const client = useQueryClient();
  const [observer] = useState(() => new QueryObserver<T>(client, options));
  const [result, setResult] = useState(() => observer.getOptimisticResult(client.defaultQueryOptions(options)));
  useEffect(() => observer.subscribe((answer) => startTransition(() => setResult(answer))), [observer]);
  useEffect(() => observer.setOptions(options));
  return result;
}

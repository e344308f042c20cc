import { connecting, planning, type Route } from '../../core';
import type { RouteJob } from '../store/connection';
import { serveSearch } from './serve-search';

serveSearch<RouteJob, Route[]>((job) =>
  'plan' in job ? planning(job.instrument, job.scale, job.plan) : connecting(job.instrument, job.scale, job.connect),
);

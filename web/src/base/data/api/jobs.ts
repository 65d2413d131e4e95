import type { EarlierVisit } from '@tembrix/core/shop/handover'
import type { Learned } from '@tembrix/core/shop/job'
import type { JobUnit } from '@tembrix/core/shop/orders'
import type {
  HistoryLine,
  Job,
  JobLine,
  LikeMachine,
  MachineGroup,
  NewJob,
} from '@tembrix/core/things/records'
import { api } from './api'

export const jobsApi = api.injectEndpoints({
  endpoints: (build) => ({
    customerJobs: build.query<JobLine[], string>({
      query: (customerId) => ({ url: '/jobs', params: { customerId } }),
      providesTags: ['jobs'],
    }),
    /** `isNew` is false where the job was stored before, and is answered as it stands. */
    createJob: build.mutation<{ job: Job; isNew: boolean }, NewJob>({
      query: (body) => ({ url: '/jobs', method: 'POST', body }),
      transformResponse: (job: Job, meta) => ({ job, isNew: meta?.response?.status === 201 }),
      invalidatesTags: ['jobs', 'customers'],
    }),
    importJob: build.mutation<{ id: string; number: number; numberBefore: number }, File>({
      query: (file) => ({
        url: '/job-files',
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/zip' },
      }),
      invalidatesTags: ['jobs', 'customers', 'models'],
    }),
    /** Sets when a job that is not open here is due, on the version it has now. */
    moveJob: build.mutation<Job, { id: string; dueOn: string }>({
      queryFn: async ({ id, dueOn }, _api, _options, ask) => {
        const read = await ask(`/jobs/${id}`)
        if (read.error) return { error: read.error }
        const { version } = read.data as Job
        const body = { version, dueOn }
        const done = await ask({ url: `/jobs/${id}`, method: 'PATCH', body })
        return done.error ? { error: done.error } : { data: done.data as Job }
      },
      invalidatesTags: (_done, _error, { id }) => ['jobs', { type: 'job', id }],
    }),
    /** Signed visits of a job’s machine other than this one, the newest first. */
    earlierVisits: build.query<EarlierVisit[], string>({
      query: (id) => `/jobs/${id}/earlier`,
      providesTags: ['jobs'],
    }),
    /** Units of a job’s plans that orders stand for. */
    jobParts: build.query<JobUnit[], string>({
      query: (id) => `/jobs/${id}/parts`,
      providesTags: ['orders'],
    }),
    history: build.query<HistoryLine[], string>({
      query: (id) => `/jobs/${id}/history`,
      keepUnusedDataFor: 0,
    }),
    /** The password kept for a job; asking is noted in its history. */
    password: build.query<{ password: string | null }, string>({
      query: (id) => `/jobs/${id}/password`,
      keepUnusedDataFor: 0,
    }),
    keepPassword: build.mutation<void, { jobId: string; password: string }>({
      query: ({ jobId, password }) => ({
        url: `/jobs/${jobId}/password`,
        method: 'PUT',
        body: { password },
      }),
      invalidatesTags: (_done, _error, { jobId }) => [{ type: 'job', id: jobId }],
    }),
    /** A job's machine and those like it. */
    likeMachines: build.query<LikeMachine[], string>({
      query: (id) => `/jobs/${id}/like`,
      providesTags: ['jobs'],
    }),
    addLike: build.mutation<{ id: string; number: number }[], MachineGroup & { jobId: string }>({
      query: ({ jobId, machines }) => ({
        url: `/jobs/${jobId}/like`,
        method: 'POST',
        body: { machines },
      }),
      invalidatesTags: (_made, _error, { jobId }) => ['jobs', { type: 'job', id: jobId }],
    }),
    singleOut: build.mutation<Job, Pick<Job, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/jobs/${id}/single-out`,
        method: 'POST',
        body: { version },
      }),
      invalidatesTags: ['jobs', 'job', 'orders'],
    }),
    learned: build.query<Learned, void>({ query: () => '/learned', providesTags: ['shop'] }),
  }),
})

export const {
  useAddLikeMutation,
  useCreateJobMutation,
  useCustomerJobsQuery,
  useEarlierVisitsQuery,
  useHistoryQuery,
  useImportJobMutation,
  useJobPartsQuery,
  useKeepPasswordMutation,
  useLazyPasswordQuery,
  useLearnedQuery,
  useLikeMachinesQuery,
  useMoveJobMutation,
  useSingleOutMutation,
} = jobsApi

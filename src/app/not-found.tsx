import Link from 'next/link'

export default function NotFound() {
  return (
    <main className="mx-auto max-w-[40rem] p-6">
      <h1 className="font-bold text-huge">Nothing here</h1>
      <p className="my-3">
        No job or page has this address in this store. Jobs are never deleted: it may be on another device, or come in a job file.
      </p>
      <Link href="/" className="inline-grid min-h-11 place-items-center rounded border-2 border-line px-3">
        All jobs
      </Link>
    </main>
  )
}

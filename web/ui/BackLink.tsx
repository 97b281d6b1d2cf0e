import { Link } from 'react-router'
import { useAppSelector } from '../state/store.ts'

/** The way back to the piece and station one came from; to the job where there is none. */
export function BackLink() {
  const job = useAppSelector((s) => s.job.job)!
  const place = useAppSelector((s) => s.view.place)
  const piece = job.pieces.find((p) => p.id === place?.pieceId)
  return (
    <Link
      to={piece && place ? `/job/${job.id}/${piece.id}/${place.station}` : `/job/${job.id}`}
      className="word label p-0!"
    >
      back to {piece ? piece.name : job.name}
    </Link>
  )
}

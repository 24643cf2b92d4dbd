<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Matching\KeepRulings;
use App\Actions\Screening\TitlesFirst;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Record;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Takes a record out of its publication and gives it one of its own; it is not joined again by itself. */
final readonly class SeparateRecord
{
    public function __construct(
        private PublicationFromRecords $publications,
        private KeepRulings $rulings,
        private WriteLog $log,
    ) {
    }

    public function execute(User $by, Record $record): Publication
    {
        return DB::transaction(function () use ($by, $record): Publication {
            $old = Publication::query()->lockForUpdate()->findOrFail($record->publication_id);
            if ($old->records()->count() < 2) {
                throw new Refused('This publication has one record only; there is nothing to separate.');
            }
            $new = $this->alone($record);
            $record->update(['publication_id' => $new->id, 'separated_at' => now()]);
            $this->rulings->execute($by, $record->review_id, [
                [$record->id],
                array_values($old->records()->pluck('id')->all()),
            ]);
            $this->publications->refresh($old);
            $words = "Separated a record from “{$old->title}”";
            $about = ['from' => $old->id, 'to' => $new->id];
            ($this->log)($record->review_id, $by, 'record.separated', $words, $record, $about);

            return $new;
        });
    }

    /** A publication of its own, which waits to be judged. */
    private function alone(Record $record): Publication
    {
        $values = $this->publications->values([$record]);
        $new = Publication::query()->create($values + ['review_id' => $record->review_id]);
        Item::query()->create([
            'review_id' => $record->review_id,
            'publication_id' => $new->id,
            'stage_id' => $new->review->firstStage()->id,
        ]);
        TitlesFirst::arrive($new->review, [$new->id]);

        return $new;
    }

    /** Back to where it was, as long as nobody has worked on it since. */
    public function undo(User $by, Record $record): Publication
    {
        return DB::transaction(function () use ($by, $record): Publication {
            $from = self::cameFrom($record);
            if ($record->separated_at === null || $from === null) {
                throw new Refused('This record was not separated, or the publication it came from is no longer there.');
            }
            $own = Publication::query()->lockForUpdate()->findOrFail($record->publication_id);
            $items = Item::query()->where('review_id', $record->review_id)->where('publication_id', $own->id);
            self::refuseWorkedOn($own, $items);
            $record->update(['publication_id' => $from->id, 'separated_at' => null]);
            $beside = array_values($from->records()->pluck('id')->all());
            $this->rulings->forget($record->review_id, [$record->id], $beside);
            $items->delete();
            $own->delete();
            $this->publications->refresh($from);
            $about = ['from' => $own->id, 'to' => $from->id];
            $words = "Put a record back to “{$from->title}”";
            ($this->log)($record->review_id, $by, 'record.joined', $words, $record, $about);

            return $from;
        });
    }

    /** @param  Builder<Item>  $items */
    private static function refuseWorkedOn(Publication $own, Builder $items): void
    {
        $decisions = DB::table('decisions')
            ->where('review_id', $own->review_id)
            ->whereIn('item_id', $items->clone()->select('id'));
        if ($own->records()->count() > 1 || $decisions->exists()) {
            throw new Refused('The separated publication has been worked on since. Its decisions would be lost.');
        }
    }

    private static function cameFrom(Record $record): ?Publication
    {
        $entry = DB::table('log_entries')
            ->where('review_id', $record->review_id)
            ->where('action', 'record.separated')
            ->where('subject_id', $record->id)
            ->orderByDesc('id')
            ->first();

        return $entry === null ? null : Publication::query()
            ->where('review_id', $record->review_id)
            ->where('id', json_decode($entry->details, true)['from'])
            ->first();
    }
}

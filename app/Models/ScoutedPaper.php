<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Amount;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\StudyKind;

/**
 * A paper that was read for a plain question, with the sentence that answers.
 *
 * @property string $id
 * @property string $review_id
 * @property string $scouting_id
 * @property string $key
 * @property string $source
 * @property ?string $publication_id
 * @property array<string, mixed> $reference
 * @property float $score
 * @property string $sentence empty where it reports no answer
 * @property ?int $page of a full text; null where the sentence is of the abstract
 * @property ?Direction $direction
 * @property Confidence $confidence
 * @property string $reason
 * @property StudyKind $design
 * @property ?Carbon $thrown_out_at
 * @property ?string $thrown_out_by
 * @property Carbon $created_at
 * @property Scouting $scouting
 * @property ?Publication $publication
 */
final class ScoutedPaper extends Model
{
    protected $table = 'scouted_papers';

    /** @return BelongsTo<Scouting, $this> */
    public function scouting(): BelongsTo
    {
        return $this->belongsTo(Scouting::class);
    }

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    public function reference(): Reference
    {
        return Reference::fromArray($this->reference);
    }

    /** "Haldor 2020" */
    public function called(): string
    {
        $reference = $this->reference();

        return trim((($reference->authors[0] ?? null)?->family ?: 'No author')." {$reference->year}");
    }

    public function record(): ReadRecord
    {
        $reference = $this->reference();

        return ReadRecord::of($this->id, $reference->fullTitle(), $reference->abstract, $reference->firstFamily());
    }

    /** By how much, in the authors' words; '' where the sentence does not point one way or tells no figures. */
    public function amount(): string
    {
        return match ($this->direction) {
            Direction::More, Direction::Less, Direction::NoDifference => Amount::told($this->sentence),
            default => '',
        };
    }

    public function finding(): Finding
    {
        return new Finding($this->id, $this->score, $this->sentence, $this->direction, $this->confidence, $this->reason);
    }

    protected function casts(): array
    {
        return [
            'reference' => 'array',
            'score' => 'float',
            'direction' => Direction::class,
            'confidence' => Confidence::class,
            'design' => StudyKind::class,
            'thrown_out_at' => 'immutable_datetime',
        ];
    }
}

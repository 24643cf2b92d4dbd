<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\StudyPart;
use Illuminate\Database\Eloquent\Builder;

/** Where an answer belongs: an item of the codebook and a study, or a part of it. */
final readonly class AnswerSlot
{
    public function __construct(
        public Publication $publication,
        public CodebookItem $code,
        public ?StudyPart $part = null,
    ) {
    }

    /** Of the study as a whole. */
    public function whole(): self
    {
        return new self($this->publication, $this->code);
    }

    /** As parts of a study and its items are told apart on a page. */
    public function key(): string
    {
        return self::keyOf($this->code->id, $this->part?->id);
    }

    public static function keyOf(string $code, ?string $part): string
    {
        return $part === null ? $code : "{$code}-{$part}";
    }

    /** @return array<string, ?string> */
    public function values(): array
    {
        return [
            'review_id' => $this->publication->review_id,
            'publication_id' => $this->publication->id,
            'code_id' => $this->code->id,
            'part_id' => $this->part?->id,
        ];
    }

    /** @return Builder<Answer> those that nothing has replaced: the one that counts, and coders' own */
    public function answers(): Builder
    {
        return Answer::query()->where($this->values())->whereNull('superseded_at');
    }

    /** For the Log. */
    public function words(): string
    {
        $of = $this->part === null ? '' : "{$this->part->name} in ";

        return "“{$this->code->label}” of {$of}“{$this->publication->title}”";
    }
}

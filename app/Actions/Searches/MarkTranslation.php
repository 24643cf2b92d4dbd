<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Models\Strategy;
use App\Models\TranslationMark;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Somebody has looked at a line as one database is asked it. The mark is for that text and ends when it changes. */
final readonly class MarkTranslation
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(
        User $by,
        Strategy $strategy,
        string $line,
        string $database,
        string $text,
        bool $isRight,
    ): void {
        DB::transaction(function () use ($by, $strategy, $line, $database, $text, $isRight): void {
            $key = ['strategy_id' => $strategy->id, 'line_id' => $line, 'database' => $database];
            $marks = TranslationMark::query();
            $isRight ? $marks->updateOrCreate($key, self::mark($by, $strategy, $text)) : $marks->where($key)->delete();
            $words = $isRight
                ? "Found a line right as {$database} is asked it"
                : "Took back that a line is right in {$database}";
            $about = ['line' => $line, 'database' => $database, 'text' => $text];
            ($this->log)($strategy->review_id, $by, 'translation.marked', $words, $strategy, $about);
        });
    }

    /** @return array<string, string|\DateTimeInterface> */
    private static function mark(User $by, Strategy $strategy, string $text): array
    {
        return [
            'review_id' => $strategy->review_id,
            'text_hash' => hash('sha256', $text),
            'marked_by' => $by->id,
            'marked_at' => now(),
        ];
    }
}

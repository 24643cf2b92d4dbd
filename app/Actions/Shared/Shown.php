<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;

/**
 * What a form showed when its page was made, as a stamp of it: whoever keeps the form overwrites nothing unseen that
 * somebody else made of it since.
 */
final readonly class Shown
{
    /** What changes by itself, or says nothing of what is changed in a form. */
    private const BESIDE = ['created_at' => 1, 'updated_at' => 1, 'position' => 1];

    /** @param  ?string  $stamp  null where nobody looked at anything: a program, or the first of its kind */
    public function __construct(private ?string $stamp = null)
    {
    }

    /** @param  Model|array<mixed>  $what */
    public static function stamp(Model|array $what): string
    {
        $values = $what instanceof Model ? array_diff_key($what->getAttributes(), self::BESIDE) : $what;
        ksort($values);

        return hash('xxh128', json_encode($values, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /**
     * @param  Model|array<mixed>  $now  as it stands, read where nobody else can change it
     * @param  string  $action  what the Log calls such a change of the subject
     * @param  string  $did  "changed the question"
     *
     * @throws Refused If it is no longer as it was shown.
     */
    public function orOvertaken(Model|array $now, User $by, Model $subject, string $action, string $did): void
    {
        if ($this->stamp === null || hash_equals(self::stamp($now), $this->stamp)) {
            return;
        }
        $last = LogEntry::query()
            ->where('review_id', $subject instanceof Review ? $subject->id : $subject->getAttribute('review_id'))
            ->where('action', $action)
            ->where('subject_id', $subject->getKey())
            ->latest('id')
            ->with('user')
            ->first();
        throw Refused::overtaken(
            $by,
            $last?->user,
            $did,
            'What you wrote is still in the form: save it again to put it in the place of that, or load the page anew to see what stands.',
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A PDF in the store.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $publication_id null while nobody knows what it is a copy of
 * @property string $hash
 * @property ?string $replaced_by a better copy
 * @property ?string $read_hash of the copy in which the pictures have their words
 * @property int $read_bytes
 * @property ?Carbon $pictures_read_at when they were read, with or without finding words
 * @property string $name
 * @property int $bytes
 * @property ?int $pages
 * @property string $origin locker or person
 * @property string $matched_by doi, title, person or empty
 * @property list<array{publication: string, confidence: string, because: string}> $offers
 * @property string $state reading, read, or why there is no text: locked, damaged, scan
 * @property string $text
 * @property string $user_id
 * @property ?Carbon $taken_out_at
 * @property Carbon $created_at
 * @property ?Publication $publication
 * @property User $user
 * @property Review $review
 */
final class FullText extends Model
{
    /** A page with fewer is a picture with a stamp on it. */
    private const FEW_WORDS = 25;

    protected $table = 'full_texts';

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** Why nothing of it can be searched or matched; empty where it can. */
    public function trouble(): string
    {
        return match ($this->state) {
            'locked' => 'It is locked with a password, so it cannot be read here. Bring a copy without one.',
            'damaged' => 'It is damaged, or so made that it cannot be read. Bring another copy.',
            'scan' => $this->pictures_read_at === null
                ? 'It holds pictures of pages and no text; it can be read on screen, but not searched or matched.'
                : 'It holds pictures of pages, and no words were found in them; it can be read on screen only.',
            default => '',
        };
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Whether words may be looked for in the pictures of its pages: there are none, or hardly any. */
    public function mayReadPictures(): bool
    {
        $words = self::FEW_WORDS * max(1, (int) $this->pages);

        return $this->pictures_read_at === null && $this->pages !== null &&
            ($this->state === 'scan' || ($this->state === 'read' && str_word_count(mb_substr($this->text, 0, 40 * $words)) < $words));
    }

    /** Where the file lies that is read: with the words of its pictures, where they were read. */
    public function path(): string
    {
        return self::pathOf($this->read_hash ?? $this->hash);
    }

    /** Where the file lies as it was brought. */
    public function brought(): string
    {
        return self::pathOf($this->hash);
    }

    /** @return array<string, string> what others wrote is data and a download, never a page of ours */
    public function headers(): array
    {
        $name = preg_replace('/[^A-Za-z0-9._-]+/', '-', $this->name) ?: 'text.pdf';

        return [
            'Content-Type' => 'application/pdf',
            'X-Content-Type-Options' => 'nosniff',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ];
    }

    /** Where the file is kept, by what it holds. */
    public static function pathOf(string $hash): string
    {
        return "full-texts/{$hash}";
    }

    protected function casts(): array
    {
        return ['offers' => 'array', 'taken_out_at' => 'immutable_datetime', 'pictures_read_at' => 'immutable_datetime'];
    }
}

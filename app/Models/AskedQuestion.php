<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $user_id
 * @property ?string $after_id the question whose studies alone were asked
 * @property string $question
 * @property list<string> $scope where it was asked, of AskedPieces::SCOPES
 * @property ?list<string> $only_of publications, where only some were asked
 * @property array{numbers: list<array{label: string, value: string}>, counted: list<array{of: string, rows: list<array<string, string>>}>,
 *     pieces: list<array<string, mixed>>, looked: array<string, int>, nowhere: list<string>} $found
 * @property Carbon $created_at
 * @property Review $review
 */
final class AskedQuestion extends Model
{
    protected $table = 'asked_questions';

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return list<string> publications that what was found is of */
    public function studies(): array
    {
        return array_values(array_unique(array_filter(array_column($this->found['pieces'], 'publication'))));
    }

    protected function casts(): array
    {
        return ['scope' => 'array', 'only_of' => 'array', 'found' => 'array'];
    }
}

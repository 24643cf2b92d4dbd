<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Parser;

/**
 * Words that the team wants to see while reading, for or against including.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $criterion_id
 * @property string $name
 * @property string $stance for or against
 * @property string $words one word or phrase a line, as in a query
 * @property string $user_id
 * @property ?Criterion $criterion
 */
final class MarkList extends Model
{
    protected $table = 'mark_lists';

    /** @return BelongsTo<Criterion, $this> */
    public function criterion(): BelongsTo
    {
        return $this->belongsTo(Criterion::class);
    }

    /** @return list<string> */
    public function lines(): array
    {
        return array_values(
            array_filter(
                array_map(trim(...), preg_split('/\R/u', $this->words) ?: []),
                fn (string $line): bool => $line !== '',
            ),
        );
    }

    /** @return list<Node> */
    public function queries(): array
    {
        return array_map(fn (string $line): Node => Parser::parse($line)->root, $this->lines());
    }
}

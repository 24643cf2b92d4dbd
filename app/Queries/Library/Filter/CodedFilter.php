<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What has coded answers. */
final readonly class CodedFilter implements Filter
{
    public static function from(Asked $asked, Place $place): array
    {
        return $asked->is('coded') ? [new self()] : [];
    }

    public function key(): string
    {
        return 'coded';
    }

    public function words(): string
    {
        return 'with coded answers';
    }

    public function apply(Builder $publications): void
    {
        $publications->whereExists(
            fn (Builder $answers) => $answers
                ->selectRaw('1')
                ->from('standing_answers AS answers')
                ->whereColumn('answers.review_id', 'publications.review_id')
                ->whereColumn('answers.publication_id', 'publications.id'),
        );
    }
}

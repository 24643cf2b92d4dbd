<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Stage;

/** The included publications as references, one at a time: the first record of each, completed from the others. */
final class IncludedReferences
{
    /** @return \Generator<int, Reference> */
    public static function of(Review $review): \Generator
    {
        $rows = DB::table('items')->join('publications', 'publications.id', '=', 'items.publication_id')
            ->joinSub(DB::table('records')->where('review_id', $review->id)->selectRaw('DISTINCT ON (publication_id) publication_id, reference')->orderBy('publication_id')->orderBy('id'), 'first', 'first.publication_id', '=', 'publications.id')
            ->where('items.review_id', $review->id)->where('items.stage', Stage::TitleAbstract->value)->where('items.state', ItemState::Included->value)
            ->orderBy('publications.first_author')->orderBy('publications.id')
            ->select('publications.id', 'publications.abstract', 'publications.doi', 'first.reference')->cursor();
        foreach ($rows as $row) {
            $values = json_decode($row->reference, true);
            $values['id'] = $row->id;
            $values['abstract'] = $row->abstract;
            $values['doi'] = $row->doi;
            yield Reference::fromArray($values);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\Table\ItemFilter;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Coding\Table\TableTerms;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Collection;

/** The terms of a table of codings, from an address; what names nothing that there is, is as if it were not there. */
final class TableRequest extends FormRequest
{
    private const FILTERS = 12;

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [];
    }

    public function terms(Review $review): TableTerms
    {
        $codes = TableTerms::codesOf($review);
        $sort = Input::text($this, 'sort');

        return new TableTerms(
            $codes,
            array_values(array_filter($this->texts('columns'), fn (string $id): bool => $codes->has($id))),
            $this->filters($codes),
            in_array($sort, TableTerms::SORTS, true) || $codes->has($sort) ? $sort : 'author',
            $this->boolean('down'),
            Input::page($this),
            $this->whose($review),
        );
    }

    private function whose(Review $review): ?string
    {
        $whose = Input::text($this, 'whose');

        return match (true) {
            $whose === 'mine' => $this->user()?->getKey(),
            $whose !== '' && $review->memberships()->where('user_id', $whose)->exists() => $whose,
            default => null,
        };
    }

    /** @return list<string> what a file has beside each answer */
    public function parts(): array
    {
        return array_values(array_intersect(array_keys(TableRows::PARTS), $this->texts('parts')));
    }

    /**
     * Those that stand, and the one that is being added.
     *
     * @param  Collection<string, CodebookItem>  $codes
     * @return list<ItemFilter>
     */
    private function filters(Collection $codes): array
    {
        $added = Input::text($this, 'item').':'.(Input::text($this, 'says') ?: Input::text($this, 'standing'));
        $asked = array_values(array_unique([...$this->texts('with'), $added]));

        return array_slice(ItemFilter::all($codes, $asked), 0, self::FILTERS);
    }

    /** @return list<string> */
    private function texts(string $name): array
    {
        $given = array_filter((array) $this->query($name), is_string(...));

        return array_values(array_map(fn (string $one): string => mb_substr(mb_scrub($one, 'UTF-8'), 0, 300), $given));
    }
}

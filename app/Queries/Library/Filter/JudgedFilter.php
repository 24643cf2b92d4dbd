<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\User;
use App\Queries\Screening\Agreed\Agreement;
use App\Queries\Shared\Asked;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Screening\Verdict;

/** What a person judged before it opened: "person:verdict", of several separated by commas. */
final readonly class JudgedFilter implements Filter
{
    private const MOST = 9;

    private function __construct(
        private User $person,
        private Verdict $verdict,
        private bool $isFirst,
        private Place $place,
    ) {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $filters = [];
        foreach (array_slice(explode(',', $asked->text('judged', 1000)), 0, self::MOST) as $one) {
            [$id, $verdict] = [...explode(':', $one, 2), ''];
            $verdict = Verdict::tryFrom($verdict);
            $person = $verdict === null ? null : self::member($place, $id);
            if ($person !== null && $verdict !== null) {
                $filters[] = new self($person, $verdict, $filters === [], $place);
            }
        }

        return $filters;
    }

    public function key(): string
    {
        return 'judged';
    }

    public function words(): string
    {
        return ($this->isFirst ? 'open, judged ' : 'and ')."{$this->verdict->value} by {$this->person->name}";
    }

    public function apply(Builder $publications): void
    {
        Items::whereDecided(
            $publications,
            $this->place->stage,
            fn (Builder $decisions) => Agreement::beforeOpening(
                $decisions
                    ->whereNotNull('items.opened_at')
                    ->where('decisions.user_id', $this->person->id)
                    ->where('decisions.verdict', $this->verdict->value)
                    ->whereRaw('NOT '.Visibility::NAMES_HIDDEN, [$this->place->viewer->id]),
            ),
        );
    }

    private static function member(Place $place, string $id): ?User
    {
        return User::query()
            ->whereKey($id)
            ->whereHas('memberships', fn ($in) => $in->where('review_id', $place->review->id))
            ->first();
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\Item;
use App\Models\Membership;
use App\Models\TalkMessage;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Shared\Visibility;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

final readonly class PostToTalk
{
    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /** @throws Refused If the item is still blinded: words could give a verdict away. */
    public function execute(User $by, Item $item, string $body): TalkMessage
    {
        return DB::transaction(function () use ($by, $item, $body): TalkMessage {
            $item = $item->locked();
            if (! $item->state->isOpen()) {
                throw new Refused('Talk begins when the item opens. Until then, keep your thoughts in your own note.');
            }
            $message = TalkMessage::query()->create([
                'review_id' => $item->review_id,
                'item_id' => $item->id,
                'user_id' => $by->id,
                'body' => $body,
            ]);
            $words = "Wrote in Talk on “{$item->publication->title}”";
            ($this->log)($item->review_id, $by, 'talk.posted', $words, $message, [], $item->id);
            $this->tellMentioned($by, $item, $body);

            return $message;
        });
    }

    private function tellMentioned(User $by, Item $item, string $body): void
    {
        $where = route('disagreements.show', [$item->review_id, $item], false).'#talk';
        // whoever is not to see who said what is not told who calls either
        [$nameless, $others] = $this->mentioned($by, $item, $body)->partition(
            fn (User $one): bool => Visibility::hidesNames($item, $one),
        );
        foreach ([[$nameless, Visibility::NAMELESS], [$others, $by->name]] as [$people, $name]) {
            $words = "{$name} mentions you on “{$item->publication->title}”";
            ($this->tell)(array_values($people->pluck('id')->all()), NoticeKind::Mentioned, $item->review, $words, $where);
        }
    }

    /** @return Collection<int, User> those whose name, or first name where only one bears it, follows an @ */
    private function mentioned(User $by, Item $item, string $body): Collection
    {
        $people = $item->review
            ->memberships()
            ->with('user')
            ->get()
            ->map(fn (Membership $m): User => $m->user)
            ->reject(fn (User $one): bool => $one->id === $by->id);
        $first = $people->countBy(fn (User $one): string => Str::before($one->name, ' '));

        return $people
            ->filter(
                fn (User $one): bool => str_contains($body, "@{$one->name}") ||
                    ($first[Str::before($one->name, ' ')] === 1 &&
                        preg_match('/@'.preg_quote(Str::before($one->name, ' '), '/').'\b/u', $body) === 1),
            )
            ->values();
    }
}

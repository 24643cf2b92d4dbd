<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Which entries of the Log somebody wants to see, of those that they may. */
final readonly class LogFilters
{
    /** What an entry is about, by the first word of its action. */
    public const AREAS = [
        'Question and team' => ['review', 'question', 'criterion', 'team'],
        'Searches' => ['strategy', 'translation', 'search', 'scheme', 'heading', 'known', 'dialect', 'run', 'finding'],
        'Records' => ['delivery', 'record', 'rejection', 'publication', 'publications', 'matching', 'pairing', 'recipe'],
        'Screening' => ['stage', 'share', 'share-out', 'decision', 'item', 'settlement', 'talk', 'mark-list', 'reading', 'check'],
        'Full texts' => ['full-text', 'retrievals', 'locker', 'report', 'study'],
        'Coding' => ['code', 'answer'],
        'Report' => ['flow'],
    ];

    /** @param  array<string, string>  $kept  what was asked for, by the names of the address */
    private function __construct(private Review $review, private User $viewer, public array $kept)
    {
    }

    public static function of(Review $review, User $viewer, Request $request): self
    {
        $given = array_map(fn (string $key): string => Input::text($request, $key), array_combine($keys = ['who', 'about', 'words', 'from', 'to'], $keys));
        $isDay = fn (string $day): bool => preg_match('/^\d{4}-\d{2}-\d{2}$/', $day) === 1 && checkdate((int) substr($day, 5, 2), (int) substr($day, 8), (int) substr($day, 0, 4));
        $given['from'] = $isDay($given['from']) ? $given['from'] : '';
        $given['to'] = $isDay($given['to']) ? $given['to'] : '';
        $given['about'] = isset(self::AREAS[$given['about']]) ? $given['about'] : '';
        $given['words'] = mb_substr($given['words'], 0, 200);

        return new self($review, $viewer, array_filter($given, fn (string $value): bool => $value !== ''));
    }

    /** @return Builder<LogEntry> newest first */
    public function query(): Builder
    {
        $query = LogEntry::query()->where('log_entries.review_id', $this->review->id)->with('user')->orderByDesc('log_entries.id');
        Visibility::log($query->getQuery(), $this->viewer);
        if (isset($this->kept['who'])) {
            Visibility::namedInLog($query->where('log_entries.user_id', $this->kept['who'])->getQuery(), $this->viewer);
        }
        if (isset($this->kept['about'])) {
            $query->whereIn(DB::raw("split_part(log_entries.action, '.', 1)"), self::AREAS[$this->kept['about']]);
        }
        foreach (preg_split('/\s+/u', $this->kept['words'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $query->where('log_entries.summary', 'ilike', '%'.addcslashes($word, '%_\\').'%');
        }
        if (isset($this->kept['from'])) {
            $query->where('log_entries.created_at', '>=', CarbonImmutable::parse($this->kept['from'])->startOfDay());
        }
        if (isset($this->kept['to'])) {
            $query->where('log_entries.created_at', '<', CarbonImmutable::parse($this->kept['to'])->addDay()->startOfDay());
        }

        return $query;
    }

    /** @return array<string, string> everybody who stands in this Log, by id */
    public function people(): array
    {
        return DB::table('users')->whereIn('id', DB::table('log_entries')->where('review_id', $this->review->id)->whereNotNull('user_id')->whereNull('blinded_item_id')->select('user_id')->distinct())->orderBy('name')->pluck('name', 'id')->all();
    }
}

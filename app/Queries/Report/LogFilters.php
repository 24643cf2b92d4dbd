<?php

declare(strict_types=1);

namespace App\Queries\Report;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use App\Queries\Shared\Asked;
use App\Queries\Shared\Visibility;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Which entries of the Log somebody wants to see, of those that they may. */
final readonly class LogFilters
{
    /** What an entry is about, by the first word of its action. */
    public const AREAS = [
        'Question and team' => ['review', 'question', 'criterion', 'team', 'scouting', 'draft', 'token', 'archive'],
        'Searches' => ['strategy', 'translation', 'search', 'scheme', 'heading', 'known', 'dialect', 'run', 'finding'],
        'Records' => [
            'delivery',
            'references',
            'record',
            'rejection',
            'publication',
            'publications',
            'matching',
            'pairing',
            'recipe',
        ],
        'Screening' => [
            'stage',
            'share',
            'share-out',
            'decision',
            'item',
            'settlement',
            'talk',
            'mark-list',
            'reading',
            'check',
            'calibration',
        ],
        'Full texts' => ['full-text', 'retrieval', 'retrievals', 'locker', 'report', 'study'],
        'Coding' => ['code', 'coding', 'answer', 'lead', 'part', 'passage', 'theme'],
        'Synthesis' => ['outcome', 'arm', 'comparison', 'result', 'analysis', 'table', 'certainty'],
        'Report' => ['flow', 'text', 'claim'],
    ];

    /** What entries are counted by. */
    public const GROUPS = ['day' => 'by day', 'who' => 'by person', 'about' => 'by what they are about'];

    private const MOST_GROUPS = 200;

    /** @param  array<string, string>  $kept  what was asked for, by the names of the address */
    private function __construct(private Review $review, private User $viewer, public array $kept)
    {
    }

    public static function of(Review $review, User $viewer, Asked $asked): self
    {
        $given = array_map(
            fn (string $key): string => $asked->text($key),
            array_combine($keys = ['who', 'about', 'words', 'from', 'to', 'by'], $keys),
        );
        $given['from'] = self::isDay($given['from']) ? $given['from'] : '';
        $given['to'] = self::isDay($given['to']) ? $given['to'] : '';
        $given['about'] = isset(self::AREAS[$given['about']]) ? $given['about'] : '';
        $given['by'] = isset(self::GROUPS[$given['by']]) ? $given['by'] : '';
        $given['words'] = mb_substr($given['words'], 0, 200);

        return new self($review, $viewer, array_filter($given, fn (string $value): bool => $value !== ''));
    }

    private static function isDay(string $text): bool
    {
        return preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $text, $part) === 1 &&
            checkdate((int) $part[2], (int) $part[3], (int) $part[1]);
    }

    /** @return Builder<LogEntry> newest first */
    public function query(): Builder
    {
        $query = LogEntry::query()->where('log_entries.review_id', $this->review->id)->with('user');
        $query->orderByDesc('log_entries.id');
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
            $end = CarbonImmutable::parse($this->kept['to'])->addDay()->startOfDay();
            $query->where('log_entries.created_at', '<', $end);
        }

        return $query;
    }

    /** @return list<LogGroup> */
    public function groups(): array
    {
        return match ($this->kept['by'] ?? '') {
            'day' => $this->byDay(),
            'who' => $this->byPerson(),
            'about' => $this->byArea(),
            default => [],
        };
    }

    /** @return list<LogGroup> */
    private function byDay(): array
    {
        $days = $this->counted("to_char(log_entries.created_at, 'YYYY-MM-DD')", 'g DESC');

        return array_map(
            fn (string $day, int $n): LogGroup => new LogGroup(
                CarbonImmutable::parse($day)->format('l, j F Y'),
                $n,
                ['from' => $day, 'to' => $day],
            ),
            array_keys($days),
            $days,
        );
    }

    /** @return list<LogGroup> those whose name is hidden from the viewer are not told apart */
    private function byPerson(): array
    {
        $all = array_sum($this->counted('1', 'g'));
        $named = $this->counted(
            "coalesce(log_entries.user_id, '')",
            'n DESC',
            fn (Builder $query) => Visibility::namedInLog($query->getQuery(), $this->viewer),
        );
        $people = $this->people();
        $groups = [];
        foreach ($named as $id => $n) {
            $groups[] = new LogGroup(
                $id === '' ? 'Wary Heron' : $people[$id] ?? 'somebody',
                $n,
                isset($people[$id]) ? ['who' => (string) $id] : [],
            );
        }
        $hidden = $all - array_sum($named);

        return $hidden > 0
            ? [...$groups, new LogGroup('names hidden from you for now', $hidden)]
            : $groups;
    }

    /** @return list<LogGroup> */
    private function byArea(): array
    {
        $words = $this->counted("split_part(log_entries.action, '.', 1)", 'n DESC');
        $groups = [];
        foreach (self::AREAS as $area => $its) {
            $n = array_sum(array_intersect_key($words, array_flip($its)));
            $n > 0 && ($groups[] = new LogGroup($area, $n, ['about' => $area]));
        }
        $other = array_sum(array_diff_key($words, array_flip(array_merge(...array_values(self::AREAS)))));

        return $other > 0 ? [...$groups, new LogGroup('Anything else', $other)] : $groups;
    }

    /**
     * @param  ?\Closure(Builder<LogEntry>): mixed  $narrow
     * @return array<string, int>
     */
    private function counted(string $by, string $order, ?\Closure $narrow = null): array
    {
        $query = $this->query();
        $query->reorder();
        $narrow === null ? null : $narrow($query);

        /** @var array<string, int> */
        return $query
            ->getQuery()
            ->selectRaw("{$by} AS g, count(*) AS n")
            ->groupBy('g')
            ->orderByRaw($order)
            ->limit(self::MOST_GROUPS)
            ->pluck('n', 'g')
            ->all();
    }

    /** @return array<string, string> everybody who stands in this Log, by id */
    public function people(): array
    {
        return DB::table('users')
            ->whereIn(
                'id',
                DB::table('log_entries')
                    ->where('review_id', $this->review->id)
                    ->whereNotNull('user_id')
                    ->whereNull('blinded_item_id')
                    ->select('user_id')
                    ->distinct(),
            )
            ->orderBy('name')
            ->pluck('name', 'id')
            ->all();
    }
}

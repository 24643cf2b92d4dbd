<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\KeepKnownItems;
use App\Actions\Team\CreateReview;
use App\Models\Review;
use App\Models\User;
use App\Queries\Searches\Compiler;
use App\Queries\Searches\KnownItemLook;
use App\Queries\Searches\StrategyNumbers;
use App\Sources\Sources;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use PDO;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;

/**
 * Times the counts of a strategy in Alder, and beside them the same counts in SQL written by hand on the same tables.
 */
final class BenchSearch extends Command
{
    protected $signature = 'heron:bench-search {size}';

    protected $description = 'Measure how fast a strategy is counted';

    private const ROUNDS = 3;

    /** Terms of four concepts, each beside the condition that a person would write for it. %d is a heading's number. */
    private const TERMS = [
        'Nights' => [
            ['"night shift"', "words @@ '''night'' <-> ''shift'''"],
            ['"night work"', "words @@ '''night'' <-> ''work'''"],
            ['rota*', "words @@ '''rota'':*'"],
            ['heading:"Shift work schedule"/narrower', 'headings_above @> ARRAY[%d]'],
            ['heading:"Night work"', 'headings @> ARRAY[%d]'],
            ['title:night*', "title_words @@ '''night'':*'"],
            ['roster*', "words @@ '''roster'':*'"],
            [
                'title,abstract:(night NEAR/2 nurs*)',
                "words @@ '(''night'':AB <1> ''nurs'':*AB) | (''nurs'':*AB <1> ''night'':AB) | (''night'':AB <2> ''nurs'':*AB) | (''nurs'':*AB <2> ''night'':AB)'",
            ],
            ['nocturnal', "words @@ '''nocturnal'''"],
            ['"on call"', "words @@ '''on'' <-> ''call'''"],
            ['"shift system*"', "words @@ '''shift'' <-> ''system'':*'"],
            ['heading:"Rotating shifts"/narrower/major', 'major_above @> ARRAY[%d]'],
            ['residents', "words @@ '''residents'''"],
            ['"night float"', "words @@ '''night'' <-> ''float'''"],
            ['overtime', "words @@ '''overtime'''"],
        ],
        'Light' => [
            ['lux', "words @@ '''lux'''"],
            ['visor*', "words @@ '''visor'':*'"],
            ['lamp*', "words @@ '''lamp'':*'"],
            ['heading:"Light exposure"/narrower', 'headings_above @> ARRAY[%d]'],
            ['heading:"Bright light"', 'headings @> ARRAY[%d]'],
            ['"bright light"', "words @@ '''bright'' <-> ''light'''"],
            ['title:light*', "title_words @@ '''light'':*'"],
            ['daylight', "words @@ '''daylight'''"],
            ['"light box*"', "words @@ '''light'' <-> ''box'':*'"],
            ['illumin*', "words @@ '''illumin'':*'"],
            ['phototherapy', "words @@ '''phototherapy'''"],
            ['"blue light"', "words @@ '''blue'' <-> ''light'''"],
            ['"dynamic lighting"', "words @@ '''dynamic'' <-> ''lighting'''"],
            ['heading:"Light treatment"/narrower', 'headings_above @> ARRAY[%d]'],
            ['"cool white"', "words @@ '''cool'' <-> ''white'''"],
        ],
        'Outcome' => [
            ['alert*', "words @@ '''alert'':*'"],
            ['sleepi*', "words @@ '''sleepi'':*'"],
            ['vigilan*', "words @@ '''vigilan'':*'"],
            ['heading:"Alert state"/narrower', 'headings_above @> ARRAY[%d]'],
            ['heading:"Clinical errors"/narrower', 'headings_above @> ARRAY[%d]'],
            ['error*', "words @@ '''error'':*'"],
            ['"near misses"', "words @@ '''near'' <-> ''misses'''"],
            ['"reaction time"', "words @@ '''reaction'' <-> ''time'''"],
            ['lapses', "words @@ '''lapses'''"],
            ['fatigue', "words @@ '''fatigue'''"],
            ['"working memory"', "words @@ '''working'' <-> ''memory'''"],
            ['drows*', "words @@ '''drows'':*'"],
            ['attention', "words @@ '''attention'''"],
            ['heading:"Fatigue"', 'headings @> ARRAY[%d]'],
            ['melatonin', "words @@ '''melatonin'''"],
        ],
        'People' => [
            ['nurs*', "words @@ '''nurs'':*'"],
            ['physician*', "words @@ '''physician'':*'"],
            ['heading:"Health personnel"/narrower', 'headings_above @> ARRAY[%d]'],
            ['midwi*', "words @@ '''midwi'':*'"],
            ['"hospital staff"', "words @@ '''hospital'' <-> ''staff'''"],
            ['doctor*', "words @@ '''doctor'':*'"],
            ['ambulance', "words @@ '''ambulance'''"],
            ['pharmacist*', "words @@ '''pharmacist'':*'"],
            ['"emergency physicians"', "words @@ '''emergency'' <-> ''physicians'''"],
            ['heading:"Nursing staff"', 'headings @> ARRAY[%d]'],
            ['title:staff', "title_words @@ '''staff'''"],
            ['laboratory', "words @@ '''laboratory'''"],
            ['theatre', "words @@ '''theatre'''"],
            ['assistants', "words @@ '''assistants'''"],
            ['crews', "words @@ '''crews'''"],
        ],
    ];

    public function handle(
        CreateReview $create,
        ChangeStrategy $strategies,
        Compiler $compiler,
        StrategyNumbers $numbers,
        Sources $sources,
    ): int {
        $user = User::query()->create([
            'name' => 'Bench',
            'email' => uniqid('bench-').'@heron.example',
            'password' => 'a long password',
        ]);
        $review = $create->execute($user, 'Bench', '');
        $alder = $sources->get('alder');
        $make = function (int $perBlock) use ($strategies, $user, $review): Lines {
            $strategy = $strategies->create($user, $review, "Bench {$perBlock}", ['alder']);
            $strategies->execute($user, $strategy, 1, 'fill', [
                'blocks' => array_map(
                    fn (string $name, array $terms): array => [
                        'name' => $name,
                        'terms' => array_column(array_slice($terms, 0, $perBlock), 0),
                    ],
                    array_keys(self::TERMS),
                    self::TERMS,
                ),
            ]);

            return $strategies->execute($user, $strategy, 2, 'add-limit', ['text' => 'year:2000-2025'])->strategy();
        };
        $forty = $make(8);
        $whole = $make(15);
        $store = new PDO(
            (string) getenv('STANDINS_DSN'),
            (string) getenv('STANDINS_USER'),
            (string) getenv('STANDINS_PASSWORD'),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
        $store->exec("SET work_mem = '64MB'; SET enable_seqscan = off"); // as the server has
        $byHand = $this->byHand($forty);
        $ours = $hand = [];
        for ($round = 0; $round <= self::ROUNDS; $round++) {
            $store->exec('TRUNCATE alder.sets'); // a round begins with nothing that an earlier one has found
            foreach ($forty->lines as $i => $line) {
                $query = $compiler->compile($review, 'alder', $forty->writtenOut($i + 1))->text;
                $began = microtime(true);
                $count = $alder->count($query);
                $between = microtime(true);
                $rows = $store->query("SELECT count(*) FROM alder.records WHERE {$byHand[$i]}");
                $handCount = $rows === false ? -1 : (int) $rows->fetchColumn();
                $ended = microtime(true);
                if ($count !== $handCount) {
                    throw new \LogicException(
                        'Line #'.($i + 1)." ({$line->text}) counts {$count}, by hand {$handCount}.",
                    );
                }
                if ($round > 0) {
                    // the first warms both
                    $ours[$i][] = $between - $began;
                    $hand[$i][] = $ended - $between;
                }
            }
        }
        $ours = array_map($this->median(...), $ours);
        $hand = array_map($this->median(...), $hand);
        $this->forget($store);
        $began = microtime(true);
        do {
            $answer = $numbers->of($review, $whole, ['alder'], 1.5);
        } while (! $answer->done);
        $board = microtime(true) - $began;
        $began = microtime(true);
        $numbers->of($review, $whole, ['alder'], 1.5);
        $again = microtime(true) - $began;
        $query = $compiler->compile($review, 'alder', $forty->writtenOut((int) $forty->resultNumber()))->text;
        $began = microtime(true);
        $page = $alder->page($query, 1, 20);
        $first = microtime(true) - $began;
        $known = $this->eightKnownItems($user, $review, $whole, $store);
        $terms = array_sum(array_map(fn ($block): int => count($block->terms), Board::of($whole)->blocks));
        $this->line(
            json_encode(
                [
                    'what' => 'search',
                    'size' => (int) $this->argument('size'),
                    'lines' => count($forty->lines),
                    'median_line_ms' => round($this->median($ours) * 1000, 1),
                    'all_lines_s' => round(array_sum($ours), 2),
                    'plain' => 'the same counts in SQL by hand',
                    'plain_median_line_ms' => round($this->median($hand) * 1000, 1),
                    'plain_all_lines_s' => round(array_sum($hand), 2),
                    'ratio_of_sums' => round(array_sum($ours) / array_sum($hand), 2),
                    'median_ratio' => round(
                        $this->median(array_map(fn (float $a, float $b): float => $a / $b, $ours, $hand)),
                        2,
                    ),
                    'board_terms' => $terms,
                    'board_queries' => 2 * $terms + 9,
                    'board_cold_s' => round($board, 2),
                    'board_cached_s' => round($again, 3),
                    'first_page_ms' => round($first * 1000, 1),
                    'eight_known_items_s' => round($known, 2),
                    'found' => $page->total,
                ],
                JSON_THROW_ON_ERROR,
            ),
        );

        return self::SUCCESS;
    }

    /** What was counted and found before. */
    private function forget(PDO $store): void
    {
        DB::table('query_counts')->delete();
        $store->exec('TRUNCATE alder.sets');
        Cache::flush();
    }

    /** Seconds from a text with eight of them, half by title, to what finds and what loses each, with nothing kept. */
    private function eightKnownItems(User $user, Review $review, Lines $lines, PDO $store): float
    {
        $rows = $store->query(
            "SELECT body->>'title' AS title, doi FROM alder.records JOIN alder.records_text USING (number)
             WHERE number % (SELECT max(number) / 8 FROM alder.records) = 0 ORDER BY number LIMIT 8",
        );
        $eight = $rows === false ? [] : $rows->fetchAll(PDO::FETCH_ASSOC);
        $text = implode("\n", array_map(
            fn (int $i, array $row): string => $row[$i % 2 === 0 || $row['doi'] === '' ? 'title' : 'doi'],
            array_keys($eight),
            $eight,
        ));
        $this->forget($store);
        $began = microtime(true);
        $added = app(KeepKnownItems::class)->add($user, $review, $text);
        $standings = app(KnownItemLook::class)->all($review, $lines, $review->knownItems()->get(), 'alder');
        $seconds = microtime(true) - $began;
        if ($added !== 8 || count(array_filter(array_column($standings, 'indexed'))) !== 8) {
            throw new \LogicException("Of eight known items {$added} were taken, and not all of them were looked up.");
        }

        return $seconds;
    }

    /** @return list<string> a condition for every line, as somebody would write it who knows the tables */
    private function byHand(Lines $lines): array
    {
        $numbers = [];
        foreach (
            DB::table('scheme_concepts')
                ->join('schemes', 'schemes.id', '=', 'scheme_concepts.scheme_id')
                ->where('schemes.source', 'alder')
                ->get(['uri', 'label']) as $row
        ) {
            $numbers[$row->label] = (int) substr((string) strrchr($row->uri, ':'), 1);
        }
        $own = [];
        foreach (array_merge(...array_values(self::TERMS)) as [$text, $sql]) {
            $own[$text] =
                preg_match('/heading:"([^"]+)"/', $text, $label) === 1 ? sprintf($sql, $numbers[$label[1]]) : $sql;
        }
        $all = [];
        foreach ($lines->lines as $i => $line) {
            $of = fn (array $lines): array => array_map(fn (int $number): string => $all[$number - 1], $lines);
            $all[] = match (true) {
                isset($own[$line->text]) => $own[$line->text],
                str_starts_with($line->text, 'any(') => '('.implode(' OR ', $of($line->refersTo())).')',
                str_contains($line->text, 'year:') => '('.
                    $of($line->refersTo())[0].
                    ' AND year BETWEEN 2000 AND 2025)',
                default => '('.implode(' AND ', $of($line->refersTo())).')',
            };
        }

        return $all;
    }

    /** @param  array<float>  $values */
    private function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)] ?? 0.0;
    }
}

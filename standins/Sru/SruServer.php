<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Sru;

use PDO;
use PDOException;
use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Ccl\CclProblem;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\SqlCondition;
use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Service;

/** Answers SRU 1.1, 1.2 and 2.0: explain and searchRetrieve, with the standard's diagnostics for the rest. */
final readonly class SruServer
{
    private const DEFAULT_RECORDS = 10;

    private const SCHEMA = 'info:srw/schema/1/mods-v3.7';

    private const TIMEOUT_MS = 8000;

    private const DEFAULT_TERMS = 20;

    private const MOST_TERMS = 1000;

    public function __construct(private PDO $database, private Service $service)
    {
    }

    /** @param  array<string, string>  $parameters */
    public function answer(array $parameters): string
    {
        $version = $parameters['version'] ?? (isset($parameters['operation']) ? '1.2' : '2.0');
        $reply = new SruReply(in_array($version, ['1.1', '1.2'], true) ? $version : '2.0', $parameters, $this->service);
        if (! in_array($version, ['1.1', '1.2', '2.0'], true)) {
            return $reply->diagnostic(5, '2.0', 'Unsupported version');
        }
        $operation =
            $parameters['operation'] ??
            match (true) {
                isset($parameters['query']) => 'searchRetrieve',
                isset($parameters['scanClause']) => 'scan',
                default => 'explain',
            };

        return match ($operation) {
            'explain' => $reply->explain(self::DEFAULT_RECORDS, $this->modified()),
            'searchRetrieve' => $this->search($reply, $parameters),
            'scan' => $this->scan($reply, $parameters),
            default => $reply->diagnostic(4, $operation, 'Unsupported operation'),
        };
    }

    /**
     * The words of the index from the one given on, in order.
     *
     * @param  array<string, string>  $parameters
     */
    private function scan(SruReply $reply, array $parameters): string
    {
        $most = $this->number($parameters['maximumTerms'] ?? (string) self::DEFAULT_TERMS, 0);
        if (
            preg_match(
                '/^\s*(?:cql\.serverChoice\s*(?:=|exact)\s*)?"?([^"\s=]+)"?\s*$/u',
                $parameters['scanClause'] ?? '',
                $clause,
            ) !== 1
        ) {
            return $reply->diagnostic(
                isset($parameters['scanClause']) ? 16 : 7,
                'scanClause',
                isset($parameters['scanClause']) ? 'Unsupported index' : 'Mandatory parameter not supplied',
            );
        }
        if ($most === null || ($parameters['responsePosition'] ?? '1') !== '1') {
            return $reply->diagnostic(
                6,
                $most === null ? 'maximumTerms' : 'responsePosition',
                'Unsupported parameter value',
            );
        }
        $words = $this->database->prepare(
            "SELECT word FROM {$this->service->table()}_list WHERE word >= ? ORDER BY word LIMIT ?",
        );
        $words->execute([mb_strtolower($clause[1]), min($most, self::MOST_TERMS)]);

        return $reply->terms(array_values(array_map(strval(...), $words->fetchAll(PDO::FETCH_COLUMN))));
    }

    /** @param  array<string, string>  $parameters */
    private function search(SruReply $reply, array $parameters): string
    {
        $start = $this->number($parameters['startRecord'] ?? '1');
        $most = $this->number($parameters['maximumRecords'] ?? (string) self::DEFAULT_RECORDS, 0);
        $refusal = match (true) {
            ! isset($parameters['query']) || trim($parameters['query']) === '' => [
                7,
                'query',
                'Mandatory parameter not supplied',
            ],
            $start === null => [6, 'startRecord', 'Unsupported parameter value'],
            $most === null => [6, 'maximumRecords', 'Unsupported parameter value'],
            ! in_array($parameters['recordSchema'] ?? 'mods', ['mods', 'mods-v3.7', self::SCHEMA], true) => [
                66,
                $parameters['recordSchema'] ?? '',
                'Unknown schema for retrieval',
            ],
            ($parameters['recordPacking'] ?? 'xml') !== 'xml' || ($parameters['recordXMLEscaping'] ?? 'xml') !== 'xml' => [
                71,
                $parameters['recordPacking'] ?? ($parameters['recordXMLEscaping'] ?? ''),
                'Unsupported record packing',
            ],
            isset($parameters['sortKeys']) && $this->sortKey($parameters['sortKeys']) === null => [
                80,
                $parameters['sortKeys'],
                'Sort not supported',
            ],
            ! in_array(
                $parameters['queryType'] ?? 'cql',
                $this->service->dialectName() === 'ccl' ? ['cql', 'ccl'] : ['cql'],
                true,
            ) => [6, 'queryType', 'Unsupported parameter value'],
            default => null,
        };
        if ($refusal !== null) {
            return $reply->diagnostic(...$refusal);
        }
        try {
            [$query, $order] = $this->parsed((string) $parameters['query'], $parameters['queryType'] ?? 'cql');
            $this->setUp();
            $isWrong = Fault::strikes($this->database, $this->service->key(), 'totals');
            $total = $most === 0 && ! $isWrong ? $this->bySets($query) : null;
            $where = null;
            if ($total === null) {
                $where = $this->where($query, $isWrong);
                $total = $this->inTable($where);
            }
            if ($total > 0 && $start > $total) {
                return $reply->diagnostic(61, (string) $start, 'First record position out of range', $total);
            }
            $order = isset($parameters['sortKeys']) ? (string) $this->sortKey($parameters['sortKeys']) : $order;
            $rows = $where !== null && $most > 0 && $total > 0
                ? $this->page($where, $this->order($query, $order), (int) $start, $most)
                : [];

            return $reply->records($total, (int) $start, $rows);
        } catch (CqlProblem $problem) {
            return $reply->diagnostic(
                $problem->diagnostic,
                $problem->detail.($problem->detail === '' ? '' : ' ')."(column {$problem->column})",
                CqlProblem::MEANINGS[$problem->diagnostic] ?? 'Query refused',
            );
        } catch (CclProblem $problem) {
            return $reply->diagnostic(10, "{$problem->what} (column {$problem->column})", 'Query syntax error');
        } catch (CannotAnswer $cannot) {
            return $reply->diagnostic(48, $cannot->getMessage(), 'Query feature unsupported');
        } catch (PDOException $failure) {
            return $failure->getCode() === '57014'
                ? $reply->diagnostic(2, 'The query took too long and was stopped', 'System temporarily unavailable')
                : $reply->diagnostic(1, 'The index could not be read', 'General system error');
        }
    }

    /**
     * With less memory a bitmap of many rows forgets which ones, and all rows of their pages are looked at; and many
     * rare words together look so common to the planner that it reads the whole table, word by word. Counts come many
     * at once: workers of their own for each would only get into each other's way.
     */
    private function setUp(): void
    {
        $this->database->exec(
            'SET statement_timeout = '.self::TIMEOUT_MS.
                "; SET work_mem = '64MB'; SET enable_seqscan = off; SET max_parallel_workers_per_gather = 0",
        );
    }

    private function where(Node $query, bool $isWrong): SqlCondition
    {
        $condition = (new PostgresPrinter($this->service->layout()))->condition($query);

        return $isWrong
            ? new SqlCondition("{$condition->text} AND number % 10 <> 0", $condition->bindings)
            : $condition;
    }

    /** Where only a number is asked for, as of the many lines of a strategy; null where it cannot be counted so. */
    private function bySets(Node $query): ?int
    {
        return (new ResultSets($this->database, $this->service))->count(
            $query,
            microtime(true) + self::TIMEOUT_MS / 1000,
        );
    }

    private function inTable(SqlCondition $where): int
    {
        $count = $this->database->prepare("SELECT count(*) FROM {$this->service->table()} WHERE {$where->text}");
        $count->execute($where->bindings);

        return (int) $count->fetchColumn();
    }

    /** @param  string  $by  SQL, or the word relevance */
    private function order(Node $query, string $by): SqlCondition
    {
        $words = $by === 'relevance' ? PostgresPrinter::anyWord($query) : null;

        return match (true) {
            $by !== 'relevance' => new SqlCondition($by, []),
            $words === null => new SqlCondition('year DESC, number', []),
            default => new SqlCondition('ts_rank(words, ?::tsquery) DESC, year DESC, number', [$words]),
        };
    }

    /** @return list<array<string, mixed>> records as the table of texts keeps them */
    private function page(SqlCondition $where, SqlCondition $order, int $start, int $most): array
    {
        $table = $this->service->table();
        $places = "SELECT number, row_number() OVER (ORDER BY {$order->text}) AS place FROM {$table} WHERE {$where->text}";
        $page = $this->database->prepare(
            "SELECT body FROM ({$places} ORDER BY place LIMIT ? OFFSET ?) AS page JOIN {$table}_text USING (number) ORDER BY place",
        );
        $of = [...$order->bindings, ...$where->bindings];
        $page->execute([...$of, min($most, $this->service->ceiling()), $start - 1]);

        return array_map(
            fn (string $body): array => json_decode($body, true),
            array_values($page->fetchAll(PDO::FETCH_COLUMN)),
        );
    }

    /** SQL for a sort key of SRU 1.1, path,schema,ascending, or null where there is none. */
    private function sortKey(string $key): ?string
    {
        [$path, , $ascending] = explode(',', $key) + ['', '', '1'];

        return match (strtolower($path)) {
            'date' => $ascending === '0' ? 'year DESC, number' : 'year, number',
            'relevance' => 'relevance',
            default => null,
        };
    }

    /** @return array{Node, string} the query, and SQL for its order: newest first where none is asked for */
    private function parsed(string $query, string $type): array
    {
        if ($type === 'ccl') {
            return [CclParser::parse($query, $this->service->dialect()), 'year DESC, number'];
        }
        $sorted = CqlParser::parseSorted($query, $this->service->dialect());
        $by = [];
        foreach ($sorted->order as $one) {
            $column = match ($one->index) {
                'dc.date', 'date', 'py' => 'year',
                'rec.identifier', 'identifier', 'an' => 'identifier',
                default => throw new CqlProblem(82, $one->index, $one->column),
            };
            $by[] = $column.($one->ascending ? '' : ' DESC');
        }

        return [$sorted->query, $by === [] ? 'year DESC, number' : implode(', ', $by).', number'];
    }

    /** The state of the holdings: what was counted at one state holds until the next. */
    private function modified(): string
    {
        $size = $this->database->query("SELECT coalesce(max(number), 0) FROM {$this->service->table()}");

        return '2026-11-01.'.($size === false ? 0 : (int) $size->fetchColumn());
    }

    private function number(string $text, int $least = 1): ?int
    {
        return preg_match('/^\d{1,9}$/', $text) === 1 && (int) $text >= $least ? (int) $text : null;
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Sru;

use PDO;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\SqlCondition;
use WaryHeron\Standins\Service;

/**
 * What parts of queries find, kept while the holdings stay as they are: a part that stands in many lines of a strategy
 * is searched once, and what is combined of such parts is combined as sets.
 */
final readonly class ResultSets
{
    /** Parts of a query that are searched apart; one of more is searched as a whole. */
    private const MOST_PARTS = 100;

    /** Sets that are kept, the newest. */
    private const KEPT = 1000;

    private PostgresPrinter $printer;

    public function __construct(private PDO $database, private Service $service)
    {
        $this->printer = new PostgresPrinter($service->layout());
    }

    /** Where they are kept. */
    public static function table(Service $service): string
    {
        return "{$service->key()}.sets";
    }

    /** SQL that makes the table anew, as with the records. */
    public static function made(Service $service): string
    {
        $table = self::table($service);

        return "DROP TABLE IF EXISTS {$table}; CREATE UNLOGGED TABLE {$table} (part bytea PRIMARY KEY, "
            .'bits bytea COMPRESSION lz4 NOT NULL, made timestamptz NOT NULL DEFAULT clock_timestamp()); '
            ."CREATE INDEX ON {$table} (made)";
    }

    /**
     * How many records the query finds; null where it has too many parts.
     *
     * @param  float  $until  when searching is given up, in seconds since 1970
     *
     * @throws \PDOException If that time has come, as when a statement is stopped.
     */
    public function count(Node $query, float $until): ?int
    {
        $conditions = $keys = [];
        foreach (self::parts($query) as $part) {
            if (count($keys) === self::MOST_PARTS) {
                return null;
            }
            $condition = $this->printer->condition($part);
            $key = hash('sha256', json_encode([$condition->text, $condition->bindings], JSON_THROW_ON_ERROR));
            $keys[spl_object_id($part)] = $key;
            $conditions[$key] = $condition;
        }
        $sets = $this->kept(array_keys($conditions));
        foreach (array_diff_key($conditions, $sets) as $key => $condition) {
            $sets[$key] = $this->search($condition, $until);
            $this->keep($key, $sets[$key]);
        }

        return self::combined($query, fn (Node $part): FoundSet => $sets[$keys[spl_object_id($part)]])->count();
    }

    /** @return iterable<Node> */
    private static function parts(Node $node): iterable
    {
        if ($node instanceof Operation) {
            foreach ($node->operands as $operand) {
                yield from self::parts($operand);
            }
        } else {
            yield $node;
        }
    }

    /** @param  callable(Node): FoundSet  $of */
    private static function combined(Node $node, callable $of): FoundSet
    {
        if (! $node instanceof Operation) {
            return $of($node);
        }
        $set = self::combined($node->operands[0], $of);
        foreach (array_slice($node->operands, 1) as $operand) {
            $other = self::combined($operand, $of);
            $set = match ($node->operator) {
                Operator::Or => $set->or($other),
                Operator::And => $set->and($other),
                Operator::Not => $set->without($other),
            };
        }

        return $set;
    }

    private function search(SqlCondition $condition, float $until): FoundSet
    {
        $table = $this->service->table();
        $this->database->exec('SET statement_timeout = '.max(1, (int) (($until - microtime(true)) * 1000)));
        $found = $this->database->prepare(
            "SELECT (SELECT max(number) FROM {$table}), array_agg(number) FROM {$table} WHERE {$condition->text}",
        );
        $found->execute($condition->bindings);
        $found->bindColumn(1, $last, PDO::PARAM_INT);
        $found->bindColumn(2, $numbers);
        $found->fetch(PDO::FETCH_BOUND);

        return FoundSet::of($numbers === null ? [] : explode(',', trim((string) $numbers, '{}')), (int) $last);
    }

    /**
     * @param  list<string>  $keys  in hexadecimal
     * @return array<string, FoundSet>
     */
    private function kept(array $keys): array
    {
        $parts = implode(', ', array_map(fn (string $key): string => "'\\x{$key}'", $keys));
        // what is written out spares the server a second message
        $rows = $this->database->query(
            "SELECT encode(part, 'hex'), bits FROM ".self::table($this->service)." WHERE part IN ({$parts})",
        );
        $sets = [];
        foreach ($rows === false ? [] : $rows->fetchAll(PDO::FETCH_NUM) as [$key, $bits]) {
            $sets[$key] = FoundSet::kept((string) stream_get_contents($bits));
        }

        return $sets;
    }

    private function keep(string $key, FoundSet $set): void
    {
        $table = self::table($this->service);
        $bits = bin2hex($set->bits);
        $oldest = "SELECT made FROM {$table} ORDER BY made DESC OFFSET ".self::KEPT.' LIMIT 1';
        $this->database->exec(
            "INSERT INTO {$table} (part, bits) VALUES ('\\x{$key}', '\\x{$bits}') ON CONFLICT DO NOTHING; ".
                "DELETE FROM {$table} WHERE made <= ({$oldest})",
        );
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Alder;

use PDO;
use PDOException;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;

/** Answers SRU 1.1, 1.2 and 2.0: explain and searchRetrieve, with the standard's diagnostics for the rest. */
final readonly class SruServer
{
    private const CEILING = 500;

    private const DEFAULT_RECORDS = 10;

    private const SCHEMA = 'info:srw/schema/1/mods-v3.7';

    private const TIMEOUT_MS = 8000;

    public function __construct(private PDO $database)
    {
    }

    /** @param  array<string, string>  $parameters */
    public function answer(array $parameters): string
    {
        $version = $parameters['version'] ?? (isset($parameters['operation']) ? '1.2' : '2.0');
        $reply = new SruReply(in_array($version, ['1.1', '1.2'], true) ? $version : '2.0', $parameters);
        if (! in_array($version, ['1.1', '1.2', '2.0'], true)) {
            return $reply->diagnostic(5, '2.0', 'Unsupported version');
        }
        $operation = $parameters['operation'] ?? (isset($parameters['query']) ? 'searchRetrieve' : 'explain');

        return match ($operation) {
            'explain' => $reply->explain(self::CEILING, self::DEFAULT_RECORDS),
            'searchRetrieve' => $this->search($reply, $parameters),
            default => $reply->diagnostic(4, $operation, 'Unsupported operation'),
        };
    }

    /** @param  array<string, string>  $parameters */
    private function search(SruReply $reply, array $parameters): string
    {
        $start = $this->number($parameters['startRecord'] ?? '1');
        $most = $this->number($parameters['maximumRecords'] ?? (string) self::DEFAULT_RECORDS, 0);
        $refusal = match (true) {
            ! isset($parameters['query']) || trim($parameters['query']) === '' => [7, 'query', 'Mandatory parameter not supplied'],
            $start === null => [6, 'startRecord', 'Unsupported parameter value'],
            $most === null => [6, 'maximumRecords', 'Unsupported parameter value'],
            ! in_array($parameters['recordSchema'] ?? 'mods', ['mods', 'mods-v3.7', self::SCHEMA], true) => [66, $parameters['recordSchema'] ?? '', 'Unknown schema for retrieval'],
            ($parameters['recordPacking'] ?? 'xml') !== 'xml' || ($parameters['recordXMLEscaping'] ?? 'xml') !== 'xml' => [71, $parameters['recordPacking'] ?? $parameters['recordXMLEscaping'] ?? '', 'Unsupported record packing'],
            isset($parameters['sortKeys']) => [80, '', 'Sort not supported'],
            ($parameters['queryType'] ?? 'cql') !== 'cql' => [6, 'queryType', 'Unsupported parameter value'],
            default => null,
        };
        if ($refusal !== null) {
            return $reply->diagnostic(...$refusal);
        }
        try {
            $condition = (new PostgresPrinter(Corpus::layout()))->condition(CqlParser::parse((string) $parameters['query'], Dialects::cql()));
            $this->database->exec('SET statement_timeout = '.self::TIMEOUT_MS);
            $count = $this->database->prepare("SELECT count(*) FROM alder.records WHERE {$condition->text}");
            $count->execute($condition->bindings);
            $total = (int) $count->fetchColumn();
            if ($total > 0 && $start > $total) {
                return $reply->diagnostic(61, (string) $start, 'First record position out of range', $total);
            }
            $rows = [];
            if ($most > 0 && $total > 0) {
                $page = $this->database->prepare("SELECT body FROM alder.records WHERE {$condition->text} ORDER BY year DESC, number LIMIT ? OFFSET ?");
                $page->execute([...$condition->bindings, min($most, self::CEILING), $start - 1]);
                $rows = array_map(fn (string $body): array => json_decode($body, true), array_values($page->fetchAll(PDO::FETCH_COLUMN)));
            }

            return $reply->records($total, (int) $start, $rows);
        } catch (CqlProblem $problem) {
            return $reply->diagnostic($problem->diagnostic, $problem->detail.($problem->detail === '' ? '' : ' ')."(column {$problem->column})", CqlProblem::MEANINGS[$problem->diagnostic] ?? 'Query refused');
        } catch (CannotAnswer $cannot) {
            return $reply->diagnostic(48, $cannot->getMessage(), 'Query feature unsupported');
        } catch (PDOException $failure) {
            return $failure->getCode() === '57014'
                ? $reply->diagnostic(2, 'The query took too long and was stopped', 'System temporarily unavailable')
                : $reply->diagnostic(1, 'The index could not be read', 'General system error');
        }
    }

    private function number(string $text, int $least = 1): ?int
    {
        return preg_match('/^\d{1,9}$/', $text) === 1 && (int) $text >= $least ? (int) $text : null;
    }
}

<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Sru;

use WaryHeron\Standins\Service;

/** Writes SRU answers by hand, in the namespaces of the version asked for. */
final readonly class SruReply
{
    private bool $second;

    /** @param  array<string, string>  $parameters */
    public function __construct(private string $version, private array $parameters, private Service $service)
    {
        $this->second = $version === '2.0';
    }

    /** @param  list<array<string, mixed>>  $rows */
    public function records(int $total, int $start, array $rows): string
    {
        $records = '';
        foreach ($rows as $i => $row) {
            $packing = $this->second
                ? '<recordXMLEscaping>xml</recordXMLEscaping>'
                : '<recordPacking>xml</recordPacking>';
            $records .=
                '<record><recordSchema>info:srw/schema/1/mods-v3.7</recordSchema>'.
                $packing.
                '<recordData>'.
                ModsText::of($row, $this->service->key(), $this->service->title()).
                '</recordData><recordPosition>'.
                ($start + $i).
                '</recordPosition></record>';
        }
        $next = $start + count($rows);

        return $this->response(
            "<numberOfRecords>{$total}</numberOfRecords>".
                ($records === '' ? '' : "<records>{$records}</records>").
                ($next <= $total && $rows !== [] ? "<nextRecordPosition>{$next}</nextRecordPosition>" : '').
                $this->echoed(),
        );
    }

    /** @param  list<string>  $words */
    public function terms(array $words): string
    {
        $namespace = $this->second ? 'http://docs.oasis-open.org/ns/search-ws/scan' : 'http://www.loc.gov/zing/srw/';
        $terms = implode(
            '',
            array_map(fn (string $word): string => '<term><value>'.self::text($word).'</value></term>', $words),
        );

        return '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n<scanResponse xmlns=\"{$namespace}\"><version>{$this->version}</version><terms>{$terms}</terms></scanResponse>";
    }

    public function diagnostic(int $number, string $details, string $message, int $total = 0): string
    {
        $namespace = $this->second
            ? 'http://docs.oasis-open.org/ns/search-ws/diagnostic'
            : 'http://www.loc.gov/zing/srw/diagnostic/';

        return $this->response(
            "<numberOfRecords>{$total}</numberOfRecords>{$this->echoed()}".
                "<diagnostics><diagnostic xmlns=\"{$namespace}\"><uri>info:srw/diagnostic/1/{$number}</uri>".
                ($details === '' ? '' : '<details>'.self::text($details).'</details>').
                '<message>'.
                self::text($message).
                '</message></diagnostic></diagnostics>',
        );
    }

    public function explain(int $default, string $modified): string
    {
        $namespace = $this->second
            ? 'http://docs.oasis-open.org/ns/search-ws/sruResponse'
            : 'http://www.loc.gov/zing/srw/';
        $indexes = '';
        foreach ($this->service->indexes() as $name => $title) {
            [$set, $index] = str_contains($name, '.') ? explode('.', $name) : [$this->service->key(), $name];
            $indexes .= "<index><title>{$title}</title><map><name set=\"{$set}\">{$index}</name></map></index>";
        }

        return '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n<explainResponse xmlns=\"{$namespace}\"><version>{$this->version}</version><record>".
            '<recordSchema>http://explain.z3950.org/dtd/2.0/</recordSchema>'.
            ($this->second ? '<recordXMLEscaping>xml</recordXMLEscaping>' : '<recordPacking>xml</recordPacking>').
            '<recordData><explain xmlns="http://explain.z3950.org/dtd/2.0/"><serverInfo protocol="SRU" version="'.
            $this->version.
            '"><host>127.0.0.1</host><port>'.
            self::text((string) ($_SERVER['SERVER_PORT'] ?? '')).
            '</port><database>'.
            $this->service->key().
            '</database></serverInfo>'.
            '<databaseInfo><title>'.
            $this->service->title().
            '</title><description>'.
            $this->service->description().
            '</description></databaseInfo><metaInfo><dateModified>'.
            self::text($modified).
            '</dateModified></metaInfo>'.
            '<indexInfo><set name="cql" identifier="info:srw/cql-context-set/1/cql-v1.2"/><set name="dc" identifier="info:srw/cql-context-set/1/dc-v1.1"/><set name="rec" identifier="info:srw/cql-context-set/2/rec-1.1"/><set name="'.
            $this->service->key().
            '" identifier="urn:x-wary-heron:'.
            $this->service->key().
            '"/>'.
            $indexes.
            '</indexInfo>'.
            '<schemaInfo><schema name="mods" identifier="info:srw/schema/1/mods-v3.7"><title>MODS 3.7</title></schema></schemaInfo>'.
            "<configInfo><default type=\"numberOfRecords\">{$default}</default><setting type=\"maximumRecords\">{$this->service->ceiling()}</setting>".
            ($this->service->dialect()->data['proximity'] === null ? '' : '<supports type="proximity"/>').
            '<supports type="maskingCharacter">'.
            self::text($this->service->dialect()->data['truncation']['sign'] ?? '').
            '</supports></configInfo>'.
            '</explain></recordData></record></explainResponse>';
    }

    public static function text(string $text): string
    {
        return htmlspecialchars(
            (string) preg_replace(
                '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u',
                '',
                mb_scrub($text, 'UTF-8'),
            ),
            ENT_XML1 | ENT_QUOTES,
            'UTF-8',
        );
    }

    private function response(string $inside): string
    {
        $namespace = $this->second
            ? 'http://docs.oasis-open.org/ns/search-ws/sruResponse'
            : 'http://www.loc.gov/zing/srw/';

        return '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n<searchRetrieveResponse xmlns=\"{$namespace}\"><version>{$this->version}</version>{$inside}</searchRetrieveResponse>";
    }

    private function echoed(): string
    {
        return isset($this->parameters['query'])
            ? '<echoedSearchRetrieveRequest><query>'.
                    self::text($this->parameters['query']).
                    '</query></echoedSearchRetrieveRequest>'
            : '';
    }
}

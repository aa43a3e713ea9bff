// The expressions of a report: the scalar and aggregate expressions of standard SQL (ISO/IEC 9075) that the engine computes.
grammar Sql;

options { caseInsensitive = true; }

statement: expression EOF;

expression
    : NOT expression                                                        # negation
    | left=expression AND right=expression                                  # conjunction
    | left=expression OR right=expression                                   # disjunction
    | operand comparisonTail?                                               # condition
    ;

comparisonTail
    : comparator right=operand                                              # comparison
    | NOT? BETWEEN low=operand AND high=operand                             # between
    | NOT? LIKE pattern=operand (ESCAPE TEXT)?                              # likeness
    | NOT? IN LPAREN operand (COMMA operand)* RPAREN                        # membership
    | IS NOT? NULL                                                          # nullTest
    ;

comparator: EQ | NE | LT | LE | GT | GE;

operand
    : sign=(PLUS | MINUS) operand                                           # signed
    | left=operand operator=(STAR | SLASH) right=operand                    # product
    | left=operand operator=(PLUS | MINUS | CONCAT) right=operand           # sum
    | primary                                                               # plain
    ;

primary
    : NUMBER                                                                # number
    | TEXT                                                                  # text
    | DATE TEXT                                                             # dateLiteral
    | TIMESTAMP TEXT                                                        # timestampLiteral
    | INTERVAL TEXT unit=(DAY | MONTH | YEAR)                               # interval
    | value=(TRUE | FALSE)                                                  # truth
    | NULL                                                                  # nullLiteral
    | CURRENT_DATE                                                          # currentDate
    | PROMPT                                                                # prompt
    | COALESCE LPAREN expression (COMMA expression)+ RPAREN                 # coalesce
    | COUNT LPAREN STAR RPAREN filterClause? overClause?                             # countRows
    | function=(COUNT | SUM | AVG | MIN | MAX | MEDIAN | FIRST | LAST) LPAREN DISTINCT? expression RPAREN filterClause? overClause? # aggregate
    | function=(RANK | CUME_DIST) LPAREN RPAREN OVER LPAREN (PARTITION BY partition+=name (COMMA partition+=name)*)? ORDER BY by=expression direction=(ASC | DESC)? RPAREN # ranked
    | LAG LPAREN expression RPAREN overClause                                # lagged
    | CAST LPAREN expression AS typeName RPAREN                             # cast
    | EXTRACT LPAREN part=(YEAR | QUARTER | MONTH | DAY | HOUR | MINUTE) FROM expression RPAREN # extraction
    | SUBSTRING LPAREN expression FROM start=expression (FOR length=expression)? RPAREN # substring
    | POSITION LPAREN sought=operand IN within=operand RPAREN               # textPosition
    | function=NAME LPAREN (expression (COMMA expression)*)? RPAREN         # call
    | CASE whenThen+ (ELSE otherwise=expression)? END                       # searchedCase
    | CASE subject=expression whenThen+ (ELSE otherwise=expression)? END    # simpleCase
    | EXISTS LPAREN SELECT STAR FROM dataset=name (AS alias=name)? WHERE expression havingClause? RPAREN # exists
    | qualifier=name DOT name                                               # qualified
    | name                                                                  # field
    | LPAREN expression RPAREN                                              # parenthesised
    ;

filterClause: FILTER LPAREN WHERE expression RPAREN;

havingClause: HAVING COUNT LPAREN (STAR | DISTINCT counted=expression) RPAREN GE least=NUMBER;

overClause: OVER LPAREN (PARTITION BY partition+=name (COMMA partition+=name)*)? (ORDER BY stepped=name)? RPAREN;

typeName: (NAME | DATE | TIMESTAMP) (LPAREN NUMBER (COMMA NUMBER)? RPAREN)?;

whenThen: WHEN condition_=expression THEN result=expression;

name: NAME | QUOTED_NAME | AS | ASC | BY | CUME_DIST | DAY | DESC | EXISTS | FILTER | FIRST | FOR | FROM | HAVING | HOUR | LAG | LAST | MEDIAN | MINUTE | MONTH | ORDER | OVER | PARTITION | POSITION | QUARTER | RANK | SELECT | YEAR;

AND: 'AND';
AS: 'AS';
ASC: 'ASC';
AVG: 'AVG';
BETWEEN: 'BETWEEN';
BY: 'BY';
CASE: 'CASE';
CAST: 'CAST';
COALESCE: 'COALESCE';
COUNT: 'COUNT';
CUME_DIST: 'CUME_DIST';
CURRENT_DATE: 'CURRENT_DATE';
DATE: 'DATE';
DAY: 'DAY';
DESC: 'DESC';
DISTINCT: 'DISTINCT';
ELSE: 'ELSE';
END: 'END';
ESCAPE: 'ESCAPE';
EXISTS: 'EXISTS';
EXTRACT: 'EXTRACT';
FALSE: 'FALSE';
FILTER: 'FILTER';
FIRST: 'FIRST';
FOR: 'FOR';
FROM: 'FROM';
HAVING: 'HAVING';
HOUR: 'HOUR';
IN: 'IN';
INTERVAL: 'INTERVAL';
IS: 'IS';
LAG: 'LAG';
LAST: 'LAST';
LIKE: 'LIKE';
MAX: 'MAX';
MEDIAN: 'MEDIAN';
MIN: 'MIN';
MINUTE: 'MINUTE';
MONTH: 'MONTH';
NOT: 'NOT';
NULL: 'NULL';
OR: 'OR';
ORDER: 'ORDER';
OVER: 'OVER';
PARTITION: 'PARTITION';
POSITION: 'POSITION';
QUARTER: 'QUARTER';
RANK: 'RANK';
SELECT: 'SELECT';
SUBSTRING: 'SUBSTRING';
SUM: 'SUM';
THEN: 'THEN';
TIMESTAMP: 'TIMESTAMP';
TRUE: 'TRUE';
WHEN: 'WHEN';
WHERE: 'WHERE';
YEAR: 'YEAR';

EQ: '=';
NE: '<>';
LE: '<=';
GE: '>=';
LT: '<';
GT: '>';
PLUS: '+';
MINUS: '-';
STAR: '*';
SLASH: '/';
CONCAT: '||';
LPAREN: '(';
RPAREN: ')';
COMMA: ',';
DOT: '.';

NUMBER: DIGIT+ ('.' DIGIT+)?;
TEXT: '\'' (~'\'' | '\'\'')* '\'';
PROMPT: ':' [a-z] [a-z0-9_]*;
NAME: [a-z_] [a-z0-9_]*;
QUOTED_NAME: '"' (~'"' | '""')+ '"';
SPACE: [ \t\r\n]+ -> skip;
UNEXPECTED: .;

fragment DIGIT: [0-9];
